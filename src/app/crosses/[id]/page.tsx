import { theDb } from "@/db/open";
import { CrossScreen } from "@/screens/crosses/CrossScreen";
import { crossView } from "@/views/crosses";
import { byId, type IdParams, type Search, wholeNumber } from "../../params";

export const metadata = { title: "Cross" };

export default async function Page({ params, searchParams }: { params: IdParams; searchParams: Search }) {
  const view = await byId(params, (id) => crossView(theDb(), id));
  return <CrossScreen {...view} opened={wholeNumber((await searchParams).flower)} />;
}
