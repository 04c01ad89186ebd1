import { theDb } from "@/db/open";
import { NurseryScreen } from "@/screens/nursery/NurseryScreen";
import { nurseryView } from "@/views/nursery";
import { type Search, wholeNumber } from "../params";

export const metadata = { title: "Nursery" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <NurseryScreen {...nurseryView(theDb(), wholeNumber((await searchParams).from))} />;
}
