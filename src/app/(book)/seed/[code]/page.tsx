import { LotScreen } from "@/screens/seed/LotScreen";
import { lotPage } from "@/views/lot";
import { byCode, type CodeParams } from "../../../params";

export const metadata = { title: "Lot" };

export default async function Page({ params }: { params: CodeParams }) {
  return <LotScreen {...(await byCode(params, lotPage))} />;
}
