import { theDb } from "@/db/open";
import { BookScreen } from "@/screens/crosses/BookScreen";
import { bookView } from "@/views/book";

export const metadata = { title: "Cross book" };

export default function Page() {
  return <BookScreen {...bookView(theDb())} />;
}
