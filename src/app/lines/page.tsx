import { theDb } from "@/db/open";
import { LinesScreen } from "@/screens/lines/LinesScreen";
import { linesView } from "@/views/lines";
import { type Search, wholeNumber } from "../params";

export const metadata = { title: "Lines" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <LinesScreen {...linesView(theDb(), wholeNumber((await searchParams).from))} />;
}
