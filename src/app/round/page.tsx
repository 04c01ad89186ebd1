import { theDb } from "@/db/open";
import { RoundScreen } from "@/screens/round/RoundScreen";
import { todayView } from "@/views/today";

export const metadata = { title: "The round" };

export default function Page() {
  return <RoundScreen {...todayView(theDb())} />;
}
