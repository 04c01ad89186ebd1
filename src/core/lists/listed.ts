import { unmarked } from "../writing/read";
import { type Cut, page } from "./page";

/** What is asked of a list: words, which of its rows, in what order, from which on. */
export type AskedOfList = { words: string; show: string | null; by: string | null; from: number | null };

/** The list as it lies. */
export const NOTHING_ASKED: AskedOfList = { words: "", show: null, by: null, from: null };

/** How a list can be looked at: what of a row is searched, which rows each choice shows, and its orders, the usual one first. */
export type Listing<Row, Show extends string, By extends string> = {
  wordsOf: (row: Row) => string;
  shows: Record<Show, (row: Row) => boolean>;
  orders: Record<By, (a: Row, b: Row) => number>;
};

/** A list as it was asked for. */
export type Listed<Row, Show extends string = string, By extends string = string> = {
  items: Row[];
  cut: Cut;
  words: string;
  show: Show | null;
  by: By;
  /** Rows of each choice that have the words, and of all. */
  counts: Record<Show, number>;
  all: number;
};

const keys = <K extends string>(of: Record<K, unknown>) => Object.keys(of) as K[];

/**
 * What of a list's choices and orders was asked for: a choice or an order that the list has not is as none.
 * @example askedWays({ wordsOf: String, shows: { odd: Boolean }, orders: { size: Math.max } }, { show: "even", by: null })
 *   // { show: null, by: "size" }
 */
export function askedWays<Row, Show extends string, By extends string>(
  { shows, orders }: Listing<Row, Show, By>,
  asked: Pick<AskedOfList, "show" | "by">,
): { show: Show | null; by: By } {
  const show = keys(shows).find((one) => one === asked.show) ?? null;
  const by = keys(orders).find((one) => one === asked.by) ?? keys(orders)[0]!;
  return { show, by };
}

/** A list searched, sifted and sorted, not cut yet. */
export type Sifted<Row, Show extends string, By extends string> = Omit<Listed<Row, Show, By>, "items" | "cut"> & {
  rows: Row[];
};

/**
 * A list searched, sifted and sorted. Every word must be found, capitals and marks on letters aside.
 * @example sifted([{ name: "Żółw" }, { name: "Ash" }], { wordsOf: (r) => r.name, shows: {}, orders: { name: (a, b) => (a.name
 *   < b.name ? -1 : 1) } }, { words: "zolw", show: null, by: null }).rows // [{ name: "Żółw" }]
 */
export function sifted<Row, Show extends string, By extends string>(
  rows: Row[],
  listing: Listing<Row, Show, By>,
  asked: Omit<AskedOfList, "from">,
): Sifted<Row, Show, By> {
  const { wordsOf, shows, orders } = listing;
  const words = unmarked(asked.words).split(/\s+/).filter(Boolean);
  const has = (row: Row) => {
    const text = unmarked(wordsOf(row));
    return words.every((word) => text.includes(word));
  };
  const found = words.length > 0 ? rows.filter(has) : rows;
  const { show, by } = askedWays(listing, asked);
  const shown = show === null ? [...found] : found.filter(shows[show]);
  const counts = Object.fromEntries(keys(shows).map((one) => [one, found.filter(shows[one]).length])) as Record<
    Show,
    number
  >;
  return { rows: shown.sort(orders[by]), words: asked.words, show, by, counts, all: found.length };
}

/**
 * The stretch of a list that is asked for.
 * @example cutList({ rows: ["a", "b"], words: "", show: null, by: "name", counts: {}, all: 2 }, 1).items // ["b"]
 */
export function cutList<Row, Show extends string, By extends string>(
  { rows, ...list }: Sifted<Row, Show, By>,
  from: number | null,
): Listed<Row, Show, By> {
  return { ...page(rows, from), ...list };
}

/**
 * The address of a list looked at in one way; what is as usual is left out.
 * @example listAddress("/lines", { words: "bean", show: "waits" }) // "/lines?q=bean&show=waits"
 */
export function listAddress(
  path: string,
  { words, show, by, from }: { words?: string; show?: string | null; by?: string | null; from?: number },
): string {
  const [at, had] = path.split("?");
  const asked = new URLSearchParams(had);
  for (const [name, value] of Object.entries({ q: words, show, by, from: from ? String(from) : "" }))
    if (value) asked.set(name, value);
  const query = asked.toString();
  return query ? `${at}?${query}` : at!;
}
