import { PlansScreen } from "@/screens/lines/PlansScreen";
import { plansView } from "@/views/plans";
import { byCode, type CodeParams, titledByCode } from "../../../../params";

export const generateMetadata = titledByCode("Plans");

export default async function Page({ params }: { params: CodeParams }) {
  return <PlansScreen {...(await byCode(params, plansView))} />;
}
