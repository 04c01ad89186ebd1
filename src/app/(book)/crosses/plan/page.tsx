import { PlanMatrix } from "@/screens/crosses/PlanMatrix";
import { crossPlanView } from "@/views/crossPlan";
import { here } from "../../../here";
import { type Search, seasonAsked } from "../../../params";

export const metadata = { title: "Mothers and fathers" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <PlanMatrix {...crossPlanView(await here(), seasonAsked((await searchParams).season))} />;
}
