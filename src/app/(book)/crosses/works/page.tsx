import { WorksScreen } from "@/screens/crosses/WorksScreen";
import { worksView } from "@/views/works";
import { here } from "../../../here";
import { oneWord, type Search } from "../../../params";

export const metadata = { title: "What works here" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <WorksScreen {...worksView(await here(), oneWord((await searchParams).species))} />;
}
