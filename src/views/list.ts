import { type AskedOfList, askedWays, cutList, type Listed, type Listing, sifted } from "@/core/lists/listed";
import type { Outlook } from "./outlook";

/** A list as it is asked for. Looked at without words it is kept, in each of the few ways that there are. */
export function listOf<Row, Show extends string, By extends string>(
  sky: Outlook,
  name: string,
  rows: () => Row[],
  listing: Listing<Row, Show, By>,
  asked: AskedOfList,
): Listed<Row, Show, By> {
  const ways = askedWays(listing, asked);
  const sift = (words: string) => sifted(rows(), listing, { words, ...ways });
  const list = asked.words.trim() ? sift(asked.words) : sky.once(`${name} ${ways.show} ${ways.by}`, () => sift(""));
  return cutList(list, asked.from);
}
