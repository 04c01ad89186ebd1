import { theDb } from "@/db/open";
import { ShedScreen } from "@/screens/shed/ShedScreen";
import { shedView } from "@/views/shed";

export const metadata = { title: "Shed" };

export default function Page() {
  return <ShedScreen {...shedView(theDb())} />;
}
