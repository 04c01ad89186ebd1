import { HarvestScreen } from "@/screens/seed/HarvestScreen";
import { harvestView } from "@/views/harvest";
import { here } from "../../../here";
import { askedOfList, type Search } from "../../../params";

export const metadata = { title: "Ripening" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  const { from } = await askedOfList(searchParams);
  return <HarvestScreen {...harvestView(await here(), from)} />;
}
