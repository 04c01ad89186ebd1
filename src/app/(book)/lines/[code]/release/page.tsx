import { ReleaseScreen } from "@/screens/lines/ReleaseScreen";
import { releaseView } from "@/views/release";
import { byCode, type CodeParams, titledByCode } from "../../../../params";

export const generateMetadata = titledByCode("Sheet");

export default async function Page({ params }: { params: CodeParams }) {
  return <ReleaseScreen {...(await byCode(params, releaseView))} />;
}
