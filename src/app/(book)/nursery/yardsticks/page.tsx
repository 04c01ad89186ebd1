import type { Metadata } from "next";
import { YardstickLibraryScreen } from "@/screens/nursery/YardstickLibrary";
import { yardstickLibrary } from "@/views/yardstickLibrary";
import { here } from "../../../here";

export const metadata: Metadata = { title: "Yardsticks" };

export default async function Page() {
  return <YardstickLibraryScreen {...yardstickLibrary(await here())} />;
}
