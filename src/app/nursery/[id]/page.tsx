import { theDb } from "@/db/open";
import { FamilyScreen } from "@/screens/nursery/FamilyScreen";
import { familyView } from "@/views/nursery";
import { byId, type IdParams, type Search, wholeNumber } from "../../params";

export const metadata = { title: "Family" };

export default async function Page({ params, searchParams }: { params: IdParams; searchParams: Search }) {
  const chosen = wholeNumber((await searchParams).plant);
  return <FamilyScreen {...(await byId(params, (id) => familyView(theDb(), id)))} chosen={chosen} />;
}
