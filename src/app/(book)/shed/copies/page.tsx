import { CopiesScreen } from "@/screens/shed/CopiesScreen";
import { copiesView } from "@/views/shed";
import { here } from "../../../here";

export const metadata = { title: "Bring two copies together" };

export default async function Page() {
  return <CopiesScreen {...copiesView(await here())} />;
}
