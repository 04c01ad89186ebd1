import { NurseryScreen } from "@/screens/nursery/NurseryScreen";
import { nurseryView } from "@/views/nursery";
import { here } from "../../here";
import { askedOfList, type Search } from "../../params";

export const metadata = { title: "Nursery" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <NurseryScreen {...nurseryView(await here(), await askedOfList(searchParams))} />;
}
