import { theDb } from "@/db/open";
import { LotScreen } from "@/screens/seed/LotScreen";
import { lotPage } from "@/views/seed";
import { byId, type IdParams } from "../../params";

export const metadata = { title: "Lot" };

export default async function Page({ params }: { params: IdParams }) {
  return <LotScreen {...(await byId(params, (id) => lotPage(theDb(), id)))} />;
}
