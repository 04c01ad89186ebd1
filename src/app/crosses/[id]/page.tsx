import { theDb } from "@/db/open";
import { CrossScreen } from "@/screens/crosses/CrossScreen";
import { crossView } from "@/views/crosses";
import { byId, type IdParams } from "../../params";

export const metadata = { title: "Cross" };

export default async function Page({ params }: { params: IdParams }) {
  return <CrossScreen {...(await byId(params, (id) => crossView(theDb(), id)))} />;
}
