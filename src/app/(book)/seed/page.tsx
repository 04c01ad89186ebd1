import { SeedScreen } from "@/screens/seed/SeedScreen";
import { seedView } from "@/views/seed";
import { here } from "../../here";

export const metadata = { title: "Seed" };

export default async function Page() {
  return <SeedScreen {...seedView(await here())} />;
}
