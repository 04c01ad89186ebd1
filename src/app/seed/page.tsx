import { theDb } from "@/db/open";
import { SeedScreen } from "@/screens/seed/SeedScreen";
import { seedView } from "@/views/seed";
import { type Search, wholeNumber } from "../params";

export const metadata = { title: "Seed" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <SeedScreen {...seedView(theDb(), wholeNumber((await searchParams).from))} />;
}
