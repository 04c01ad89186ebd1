import { theDb } from "@/db/open";
import { GroundScreen } from "@/screens/ground/GroundScreen";
import { groundView } from "@/views/ground";
import { type Search, wholeNumber } from "../params";

export const metadata = { title: "Ground" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  const { season, stand } = await searchParams;
  return <GroundScreen {...groundView(theDb(), wholeNumber(season), wholeNumber(stand))} />;
}
