import { theDb } from "@/db/open";
import { WorksScreen } from "@/screens/crosses/WorksScreen";
import { worksView } from "@/views/works";
import type { Search } from "../../params";

export const metadata = { title: "What works here" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  const { species } = await searchParams;
  return <WorksScreen {...worksView(theDb(), typeof species === "string" ? species : null)} />;
}
