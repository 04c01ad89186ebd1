import { ShedScreen } from "@/screens/shed/ShedScreen";
import { shedView } from "@/views/shed";
import { here } from "../../here";

export const metadata = { title: "Shed" };

export default async function Page() {
  return <ShedScreen {...shedView(await here())} />;
}
