import { theDb } from "@/db/open";
import { SeedScreen } from "@/screens/seed/SeedScreen";
import { seedView } from "@/views/seed";

export const metadata = { title: "Seed" };

export default function Page() {
  return <SeedScreen {...seedView(theDb())} />;
}
