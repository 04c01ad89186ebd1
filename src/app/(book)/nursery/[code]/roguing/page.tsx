import { RoguingScreen } from "@/screens/nursery/RoguingScreen";
import { roguingView } from "@/views/roguing";
import { byCode, type CodeParams, titledByCode } from "../../../../params";

export const generateMetadata = titledByCode("Roguing");

export default async function Page({ params }: { params: CodeParams }) {
  return <RoguingScreen {...(await byCode(params, roguingView))} />;
}
