import { TodayScreen } from "@/screens/today/TodayScreen";
import { todayIn, todayView } from "@/views/today";
import { here } from "../here";
import { codeAsked, type Search } from "../params";

export const metadata = { title: "Today" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  const { cross, bed: asked } = await searchParams;
  const view = todayView(await here());
  const bed = view.map.find(({ name }) => name === asked)?.name ?? null;
  return <TodayScreen {...(bed === null ? view : todayIn(view, bed))} asked={codeAsked(cross)} bed={bed} />;
}
