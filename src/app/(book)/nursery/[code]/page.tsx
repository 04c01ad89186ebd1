import { FamilyScreen } from "@/screens/nursery/FamilyScreen";
import { familyView } from "@/views/family";
import { byCode, type CodeParams, type Search, titledByCode, wholeNumber } from "../../../params";

export const generateMetadata = titledByCode("Family");

export default async function Page({ params, searchParams }: { params: CodeParams; searchParams: Search }) {
  const chosen = wholeNumber((await searchParams).plant);
  return <FamilyScreen {...(await byCode(params, familyView))} chosen={chosen} />;
}
