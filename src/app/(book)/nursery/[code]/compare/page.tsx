import { isId } from "@/core/custody/id";
import { CompareScreen } from "@/screens/nursery/CompareScreen";
import { compareView } from "@/views/compare";
import { byCode, type CodeParams, type Search, titledByCode } from "../../../../params";

export const generateMetadata = titledByCode("Compare");

/** So many plants fit side by side. */
const MOST = 40;

const one = (value: string | string[] | undefined): string | null =>
  typeof value === "string" && isId(value) ? value : null;

export default async function Page({ params, searchParams }: { params: CodeParams; searchParams: Search }) {
  const { x, y, plants } = await searchParams;
  const numbers = typeof plants === "string" ? plants.split(",", MOST).map(Number) : [];
  const asked = { x: one(x), y: one(y), plants: numbers.filter((n) => Number.isInteger(n) && n > 0) };
  return <CompareScreen {...(await byCode(params, (sky, code) => compareView(sky, code, asked)))} />;
}
