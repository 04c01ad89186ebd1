import { CrossScreen } from "@/screens/crosses/CrossScreen";
import { crossView } from "@/views/crosses";
import { byCode, type CodeParams, type Search, titledByCode, wholeNumber } from "../../../params";

export const generateMetadata = titledByCode("Cross");

export default async function Page({ params, searchParams }: { params: CodeParams; searchParams: Search }) {
  const { flower, from } = await searchParams;
  const opened = wholeNumber(flower);
  const view = await byCode(params, (sky, code) => crossView(sky, code, wholeNumber(from), opened));
  return <CrossScreen {...view} opened={opened} />;
}
