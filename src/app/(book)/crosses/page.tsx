import { CrossesScreen } from "@/screens/crosses/CrossesScreen";
import { crossesView } from "@/views/crosses";
import { here } from "../../here";
import { askedOfList, type Search, seasonAsked } from "../../params";

export const metadata = { title: "Crosses" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  return (
    <CrossesScreen
      {...crossesView(await here(), seasonAsked((await searchParams).season), await askedOfList(searchParams))}
    />
  );
}
