import { theDb } from "@/db/open";
import { CrossesScreen } from "@/screens/crosses/CrossesScreen";
import { crossesView } from "@/views/crosses";
import { type Search, wholeNumber } from "../params";

export const metadata = { title: "Crosses" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <CrossesScreen {...crossesView(theDb(), wholeNumber((await searchParams).season))} />;
}
