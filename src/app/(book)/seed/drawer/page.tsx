import { DrawerScreen } from "@/screens/seed/DrawerScreen";
import { drawerPage } from "@/views/seed";
import { here } from "../../../here";
import { askedOfList, type Search } from "../../../params";

export const metadata = { title: "The drawer" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <DrawerScreen {...drawerPage(await here(), await askedOfList(searchParams))} />;
}
