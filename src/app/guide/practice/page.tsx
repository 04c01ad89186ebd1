import { theDb } from "@/db/open";
import { PracticeScreen } from "@/screens/guide/PracticeScreen";
import { practiceView } from "@/views/practice";

export const metadata = { title: "Practice" };

export default function Page() {
  return <PracticeScreen {...practiceView(theDb())} />;
}
