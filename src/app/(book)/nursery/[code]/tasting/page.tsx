import { isId } from "@/core/custody/id";
import { TastingScreen } from "@/screens/nursery/TastingScreen";
import { tastingView } from "@/views/tasting";
import { byCode, type CodeParams, type Search, titledByCode, wholeNumber } from "../../../../params";

export const generateMetadata = titledByCode("Tasting");

export default async function Page({ params, searchParams }: { params: CodeParams; searchParams: Search }) {
  const { of, taster, sheets } = await searchParams;
  const asked = { of: isId(of) ? of : null, taster: wholeNumber(taster) };
  return (
    <TastingScreen {...(await byCode(params, (sky, code) => tastingView(sky, code, asked)))} sheets={sheets === "1"} />
  );
}
