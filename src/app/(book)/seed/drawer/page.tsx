import { DrawerScreen } from "@/screens/seed/DrawerScreen";
import { drawerPage } from "@/views/seed";
import { here } from "../../../here";
import { oneWord, type Search, wholeNumber } from "../../../params";

export const metadata = { title: "The drawer" };

const STATES = ["keeps", "regrow", "failing", "dead"] as const;

export default async function Page({ searchParams }: { searchParams: Search }) {
  const { state, from } = await searchParams;
  const asked = STATES.find((one) => one === oneWord(state)) ?? null;
  return <DrawerScreen {...drawerPage(await here(), asked, wholeNumber(from))} />;
}
