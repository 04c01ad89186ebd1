import { LinesScreen } from "@/screens/lines/LinesScreen";
import { linesView } from "@/views/lines";
import { here } from "../../here";
import { askedOfList, type Search } from "../../params";

export const metadata = { title: "Lines" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <LinesScreen {...linesView(await here(), await askedOfList(searchParams))} />;
}
