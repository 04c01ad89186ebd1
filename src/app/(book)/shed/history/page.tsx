import { HistoryScreen } from "@/screens/shed/HistoryScreen";
import { historyView } from "@/views/shed";
import { here } from "../../../here";
import { oneWord, type Search } from "../../../params";

export const metadata = { title: "History" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <HistoryScreen {...historyView(await here(), oneWord((await searchParams).before))} />;
}
