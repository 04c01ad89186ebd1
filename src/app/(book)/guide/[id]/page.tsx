import { notFound } from "next/navigation";
import { SpeciesScreen } from "@/screens/guide/SpeciesScreen";
import { speciesView } from "@/views/guide";
import { here } from "../../../here";

export const metadata = { title: "Guide" };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const view = speciesView(await here(), (await params).id);
  return view ? <SpeciesScreen {...view} /> : notFound();
}
