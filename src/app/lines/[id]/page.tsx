import { theDb } from "@/db/open";
import { LineScreen } from "@/screens/lines/LineScreen";
import { lineView } from "@/views/lines";
import { byId, type IdParams } from "../../params";

export const metadata = { title: "Line" };

export default async function Page({ params }: { params: IdParams }) {
  return <LineScreen {...(await byId(params, (id) => lineView(theDb(), id)))} />;
}
