import { TodayScreen } from "@/screens/today/TodayScreen";
import { todayView } from "@/views/today";
import { here } from "../here";
import { codeAsked, type Search } from "../params";

export const metadata = { title: "Today" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  const { cross } = await searchParams;
  return <TodayScreen {...todayView(await here())} asked={codeAsked(cross)} />;
}
