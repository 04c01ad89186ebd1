import { BookScreen } from "@/screens/crosses/BookScreen";
import { bookView } from "@/views/book";
import { here } from "../../../here";

export const metadata = { title: "Cross book" };

export default async function Page() {
  return <BookScreen {...bookView(await here())} />;
}
