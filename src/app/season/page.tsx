import { theDb } from "@/db/open";
import { SeasonScreen } from "@/screens/season/SeasonScreen";
import { seasonView } from "@/views/season";
import { type Search, wholeNumber } from "../params";

export const metadata = { title: "Season" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  const { season, before } = await searchParams;
  return <SeasonScreen {...seasonView(theDb(), wholeNumber(season), before === "1")} />;
}
