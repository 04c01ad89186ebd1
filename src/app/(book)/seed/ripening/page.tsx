import { HarvestScreen } from "@/screens/seed/HarvestScreen";
import { harvestView } from "@/views/harvest";
import { here } from "../../../here";

export const metadata = { title: "Ripening" };

export default async function Page() {
  return <HarvestScreen {...harvestView(await here())} />;
}
