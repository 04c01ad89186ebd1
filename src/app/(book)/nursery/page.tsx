import { NurseryScreen } from "@/screens/nursery/NurseryScreen";
import { nurseryView } from "@/views/nursery";
import { here } from "../../here";
import { type Search, wholeNumber } from "../../params";

export const metadata = { title: "Nursery" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <NurseryScreen {...nurseryView(await here(), wholeNumber((await searchParams).from))} />;
}
