import { notFound } from "next/navigation";
import { theDb } from "@/db/open";
import { SpeciesScreen } from "@/screens/guide/SpeciesScreen";
import { speciesView } from "@/views/guide";

export const metadata = { title: "Guide" };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const view = speciesView(theDb(), (await params).id);
  return view ? <SpeciesScreen {...view} /> : notFound();
}
