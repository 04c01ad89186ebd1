import { LotScreen } from "@/screens/seed/LotScreen";
import { lotPage } from "@/views/lot";
import { byCode, type CodeParams, titledByCode } from "../../../params";

export const generateMetadata = titledByCode("Lot");

export default async function Page({ params }: { params: CodeParams }) {
  return <LotScreen {...(await byCode(params, lotPage))} />;
}
