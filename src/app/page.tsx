import { theDb } from "@/db/open";
import { TodayScreen } from "@/screens/today/TodayScreen";
import { todayView } from "@/views/today";

export default function Page() {
  return <TodayScreen {...todayView(theDb())} />;
}
