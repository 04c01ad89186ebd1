import { HistoryScreen } from "@/screens/shed/HistoryScreen";
import { historyView } from "@/views/shed";
import { here } from "../../../here";
import { oneWord, type Search } from "../../../params";

export const metadata = { title: "History" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  const { before, q, day } = await searchParams;
  const asked = { before: oneWord(before), words: oneWord(q) ?? "", day: oneWord(day) ?? "" };
  return <HistoryScreen {...historyView(await here(), asked)} />;
}
