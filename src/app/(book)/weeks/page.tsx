import { WeeksScreen } from "@/screens/today/WeeksScreen";
import { weeksView } from "@/views/weeks";
import { here } from "../../here";

export const metadata = { title: "The weeks ahead" };

export default async function Page() {
  return <WeeksScreen {...weeksView(await here())} />;
}
