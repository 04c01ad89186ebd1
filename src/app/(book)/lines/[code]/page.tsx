import { LineScreen } from "@/screens/lines/LineScreen";
import { lineView } from "@/views/lines";
import { byCode, type CodeParams, titledByCode } from "../../../params";

export const generateMetadata = titledByCode("Line");

export default async function Page({ params }: { params: CodeParams }) {
  return <LineScreen {...(await byCode(params, lineView))} />;
}
