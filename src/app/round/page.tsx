import { RoundScreen } from "@/screens/round/RoundScreen";
import { roundView } from "@/views/round";
import { here } from "../here";

export const metadata = { title: "The round" };

export default async function Page() {
  return <RoundScreen {...roundView(await here())} />;
}
