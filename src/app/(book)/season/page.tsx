import { SeasonScreen } from "@/screens/season/SeasonScreen";
import { seasonView } from "@/views/season";
import { here } from "../../here";
import { type Search, seasonAsked } from "../../params";

export const metadata = { title: "Season" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  const { season, before } = await searchParams;
  return <SeasonScreen {...seasonView(await here(), seasonAsked(season), before === "1")} />;
}
