import { TurnScreen } from "@/screens/season/TurnScreen";
import { turnView } from "@/views/turn";
import { here } from "../../../here";

export const metadata = { title: "The season’s turn" };

export default async function Page() {
  return <TurnScreen {...turnView(await here())} />;
}
