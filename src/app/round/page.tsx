import { RoundScreen } from "@/screens/round/RoundScreen";
import { WithLastAct } from "@/ui/LastAct";
import { roundView } from "@/views/round";
import { here } from "../here";

export const metadata = { title: "The round" };

export default async function Page() {
  return (
    <WithLastAct>
      <RoundScreen {...roundView(await here())} />
    </WithLastAct>
  );
}
