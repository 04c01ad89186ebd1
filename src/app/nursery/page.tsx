import { theDb } from "@/db/open";
import { NurseryScreen } from "@/screens/nursery/NurseryScreen";
import { nurseryView } from "@/views/nursery";

export const metadata = { title: "Nursery" };

export default function Page() {
  return <NurseryScreen {...nurseryView(theDb())} />;
}
