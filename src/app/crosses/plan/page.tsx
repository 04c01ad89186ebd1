import { theDb } from "@/db/open";
import { PlanMatrix } from "@/screens/crosses/PlanMatrix";
import { crossPlanView } from "@/views/crossPlan";
import { type Search, wholeNumber } from "../../params";

export const metadata = { title: "Mothers and fathers" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <PlanMatrix {...crossPlanView(theDb(), wholeNumber((await searchParams).season))} />;
}
