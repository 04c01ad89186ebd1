import { PracticeScreen } from "@/screens/guide/PracticeScreen";
import { practiceView } from "@/views/practice";
import { here } from "../../../here";

export const metadata = { title: "Practice" };

export default async function Page() {
  return <PracticeScreen {...practiceView(await here())} />;
}
