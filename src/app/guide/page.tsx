import { theDb } from "@/db/open";
import { GuideScreen } from "@/screens/guide/GuideScreen";
import { guideView } from "@/views/guide";

export const metadata = { title: "Guide" };

export default function Page() {
  return <GuideScreen {...guideView(theDb())} />;
}
