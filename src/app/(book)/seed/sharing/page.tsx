import { SharingListScreen } from "@/screens/seed/SharingScreens";
import { sharingList } from "@/views/sharing";
import { here } from "../../../here";

export const metadata = { title: "Sharing" };

export default async function Page() {
  return <SharingListScreen {...sharingList(await here())} />;
}
