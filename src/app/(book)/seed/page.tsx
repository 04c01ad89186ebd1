import { SeedScreen } from "@/screens/seed/SeedScreen";
import { seedView } from "@/views/seed";
import { here } from "../../here";
import { type Search, wholeNumber } from "../../params";

export const metadata = { title: "Seed" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <SeedScreen {...seedView(await here(), wholeNumber((await searchParams).from))} />;
}
