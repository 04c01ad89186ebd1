import { TodayScreen } from "@/screens/today/TodayScreen";
import { todayView } from "@/views/today";
import { here } from "../here";

export default async function Page() {
  return <TodayScreen {...todayView(await here())} />;
}
