import { GuideScreen } from "@/screens/guide/GuideScreen";
import { guideView } from "@/views/guide";
import { here } from "../../here";

export const metadata = { title: "Guide" };

export default async function Page() {
  return <GuideScreen {...guideView(await here())} />;
}
