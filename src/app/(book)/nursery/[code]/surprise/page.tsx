import { SurpriseScreen } from "@/screens/nursery/SurpriseScreen";
import { surpriseView } from "@/views/surprise";
import { byCode, type CodeParams, type Search, titledByCode, wholeNumber } from "../../../../params";

export const generateMetadata = titledByCode("Surprise");

const INHERITANCES = ["dominant", "recessive", "unknown"] as const;

/** Sources that are named in the address. */
const list = (text: string | string[] | undefined): string[] => (typeof text === "string" ? text.split(",", 20) : []);

export default async function Page({ params, searchParams }: { params: CodeParams; searchParams: Search }) {
  const { plant, inherited, like, unlike } = await searchParams;
  const inheritance = INHERITANCES.find((one) => one === inherited) ?? null;
  const asked = { number: wholeNumber(plant) ?? 0, inheritance, like: list(like), unlike: list(unlike) };
  return <SurpriseScreen {...(await byCode(params, (sky, code) => surpriseView(sky, code, asked)))} />;
}
