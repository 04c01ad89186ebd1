import { theDb } from "@/db/open";
import { HistoryScreen } from "@/screens/shed/HistoryScreen";
import { historyView } from "@/views/shed";
import { type Search, wholeNumber } from "../../params";

export const metadata = { title: "History" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <HistoryScreen {...historyView(theDb(), wholeNumber((await searchParams).before))} />;
}
