import { theDb } from "@/db/open";
import { LinesScreen } from "@/screens/lines/LinesScreen";
import { linesView } from "@/views/lines";

export const metadata = { title: "Lines" };

export default function Page() {
  return <LinesScreen {...linesView(theDb())} />;
}
