import { RoundScreen } from "@/screens/round/RoundScreen";
import { todayView } from "@/views/today";
import { here } from "../here";

export const metadata = { title: "The round" };

export default async function Page() {
  return <RoundScreen {...todayView(await here())} />;
}
