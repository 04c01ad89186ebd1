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
 * A list searched, sifted, sorted and cut. Every word must be found, capitals and marks on letters aside; a choice or an
 * order that the list has not is as none.
 * @example listed([{ name: "Żółw" }, { name: "Ash" }], { wordsOf: (r) => r.name, shows: {}, orders: { name: (a, b) => (a.name
 *   < b.name ? -1 : 1) } }, { words: "zolw", show: null, by: null, from: null }).items // [{ name: "Żółw" }]
 */
export function listed<Row, Show extends string, By extends string>(
  rows: Row[],
  { wordsOf, shows, orders }: Listing<Row, Show, By>,
  asked: AskedOfList,
): Listed<Row, Show, By> {
  const words = unmarked(asked.words).split(/\s+/).filter(Boolean);
  const has = (row: Row) => {
    const text = unmarked(wordsOf(row));
    return words.every((word) => text.includes(word));
  };
  const found = words.length > 0 ? rows.filter(has) : rows;
  const show = keys(shows).find((one) => one === asked.show) ?? null;
  const by = keys(orders).find((one) => one === asked.by) ?? keys(orders)[0]!;
  const shown = show === null ? [...found] : found.filter(shows[show]);
  const { items, cut } = page(shown.sort(orders[by]), asked.from);
  const counts = Object.fromEntries(keys(shows).map((one) => [one, found.filter(shows[one]).length])) as Record<
    Show,
    number
  >;
  return { items, cut, words: asked.words, show, by, counts, all: found.length };
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
