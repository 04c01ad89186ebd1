import { CrossScreen } from "@/screens/crosses/CrossScreen";
import { crossView } from "@/views/crosses";
import { byCode, type CodeParams, type Search, wholeNumber } from "../../params";

export const metadata = { title: "Cross" };

export default async function Page({ params, searchParams }: { params: CodeParams; searchParams: Search }) {
  const view = await byCode(params, crossView);
  return <CrossScreen {...view} opened={wholeNumber((await searchParams).flower)} />;
}
