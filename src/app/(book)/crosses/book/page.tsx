import { BookScreen } from "@/screens/crosses/BookScreen";
import { bookView } from "@/views/book";
import { here } from "../../../here";
import { askedOfList, type Search } from "../../../params";

export const metadata = { title: "Cross book" };

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <BookScreen {...bookView(await here(), await askedOfList(searchParams))} />;
}
