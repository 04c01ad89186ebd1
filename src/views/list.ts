import {
  type AskedOfList,
  askedWays,
  cutList,
  type Listed,
  type Listing,
  type Sifted,
  sifted,
} from "@/core/lists/listed";
import type { Outlook } from "./outlook";

/** A list searched, sifted and sorted, whole. Looked at without words it is kept, in each of the few ways that there are. */
export function siftedOf<Row, Show extends string, By extends string>(
  sky: Outlook,
  name: string,
  rows: () => Row[],
  listing: Listing<Row, Show, By>,
  asked: AskedOfList,
): Sifted<Row, Show, By> {
  const ways = askedWays(listing, asked);
  const sift = (words: string) => sifted(rows(), listing, { words, ...ways });
  return asked.words.trim() ? sift(asked.words) : sky.once(`${name} ${ways.show} ${ways.by}`, () => sift(""));
}

/** The stretch of such a list that is asked for. */
export const listOf = <Row, Show extends string, By extends string>(
  ...of: Parameters<typeof siftedOf<Row, Show, By>>
): Listed<Row, Show, By> => cutList(siftedOf(...of), of[4].from);
