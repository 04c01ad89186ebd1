import { LineScreen } from "@/screens/lines/LineScreen";
import { lineView } from "@/views/lines";
import { byCode, type CodeParams, oneWord, type Search, titledByCode } from "../../../params";

export const generateMetadata = titledByCode("Line");

export default async function Page({ params, searchParams }: { params: CodeParams; searchParams: Search }) {
  const whole = oneWord((await searchParams).whole) === "1";
  return <LineScreen {...(await byCode(params, (sky, code) => lineView(sky, code, whole)))} whole={whole} />;
}
