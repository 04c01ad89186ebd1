import { GroundScreen } from "@/screens/ground/GroundScreen";
import { groundView } from "@/views/ground";
import { here } from "../../here";
import { codeAsked, type Search, seasonAsked } from "../../params";

export const metadata = { title: "Ground" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  const { season, stand } = await searchParams;
  return <GroundScreen {...groundView(await here(), seasonAsked(season), codeAsked(stand))} />;
}
