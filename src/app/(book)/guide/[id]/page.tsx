import { notFound } from "next/navigation";
import { SPECIES } from "@/catalogue/catalogue";
import { SpeciesScreen } from "@/screens/guide/SpeciesScreen";
import { speciesView } from "@/views/guide";
import { here } from "../../../here";

type Params = { params: Promise<{ id: string }> };

export async function generateMetadata({ params }: Params) {
  const { id } = await params;
  return { title: SPECIES.find((one) => one.id === id)?.name ?? "Guide" };
}

export default async function Page({ params }: Params) {
  const view = speciesView(await here(), (await params).id);
  return view ? <SpeciesScreen {...view} /> : notFound();
}
