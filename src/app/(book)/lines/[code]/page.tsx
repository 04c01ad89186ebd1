import { LineScreen } from "@/screens/lines/LineScreen";
import { lineView } from "@/views/lines";
import { byCode, type CodeParams } from "../../../params";

export const metadata = { title: "Line" };

export default async function Page({ params }: { params: CodeParams }) {
  return <LineScreen {...(await byCode(params, lineView))} />;
}
