import { DescendedScreen } from "@/screens/lines/DescendedScreen";
import { descendedView } from "@/views/descended";
import { byCode, type CodeParams, oneWord, type Search, titledByCode } from "../../../../params";

export const generateMetadata = titledByCode("Pedigree");

export default async function Page({ params, searchParams }: { params: CodeParams; searchParams: Search }) {
  const whole = oneWord((await searchParams).whole) === "1";
  return <DescendedScreen {...(await byCode(params, (sky, code) => descendedView(sky, code, whole)))} whole={whole} />;
}
