import { cornersOf, fromTurned, gap, type Plot, plotAround } from "./shape";

/** Metres between two beds, where nothing else is said. */
export const PATH = 0.5;
/** Sides of a first bed, where nobody said any, metres. Working values. */
export const FIRST_BED = { width: 1.2, length: 4 };

const letters = (name: string) => /^[A-Z]{1,2}$/.test(name) || /^[a-z]{1,2}$/.test(name);

/** The name after another: the next letter, the next number, else a number of its own. */
function after(name: string): string {
  const numbered = /^(.*?)(\d{1,9})$/s.exec(name);
  if (numbered) {
    const [, words, digits] = numbered as unknown as [string, string, string];
    return words + String(Number(digits) + 1).padStart(digits.length, "0");
  }
  if (!letters(name)) return `${name} 2`;
  const [first, last] = name === name.toUpperCase() ? ["A", "Z"] : ["a", "z"];
  const [head, end] = [name.slice(0, -1), name.at(-1)!];
  if (end !== last) return head + String.fromCharCode(end.charCodeAt(0) + 1);
  if (head === "") return `${first}${first}`;
  return head === last ? `${name} 2` : String.fromCharCode(head.charCodeAt(0) + 1) + first;
}

/**
 * Names for so many beds, going on from the first as its board does; what is taken is passed over, but for the first.
 * @param count how many, 1 or more
 * @example namesFrom("C", 3, new Set(["D"])) // ["C", "E", "F"]
 * @example namesFrom("bed 9", 2, new Set()) // ["bed 9", "bed 10"]
 */
export function namesFrom(first: string, count: number, taken: ReadonlySet<string>): string[] {
  const names = [first];
  let name = first;
  while (names.length < count) {
    name = after(name);
    if (!taken.has(name)) names.push(name);
  }
  return names;
}

/** A plot moved in its own directions: along its width, and along its length. */
function shifted(plot: Plot, along: number, across: number): Plot {
  const { x, y } = fromTurned(plot, { x: along, y: across }, plot.turn);
  const toMillimetres = (metres: number) => Math.round(metres * 1000) / 1000;
  return { ...plot, x: toMillimetres(x), y: toMillimetres(y) };
}

/**
 * Beds of one size in rows: from the first to the east, then the next row north of it, all turned as the first is.
 * @param perRow how many side by side
 * @param path metres between two beds, the same both ways
 * @example bedsInRows({ x: 0, y: 0, width: 8, length: 1.2, turn: 0 }, 3, 2, 0.5).map(({ x, y }) => [x, y]) // [[0, 0], [8.5,
 *   0], [0, 1.7]]
 */
export const bedsInRows = (first: Plot, count: number, perRow: number, path: number): Plot[] =>
  Array.from({ length: count }, (_, i) =>
    shifted(first, (i % perRow) * (first.width + path), Math.floor(i / perRow) * (first.length + path)),
  );

/** Places tried beside a bed before it is left to the grower. */
const TRIED = 40;

/**
 * Free ground of a bed's size beside it: the first place to its east, or in the next row north, that touches no bed.
 * @param path metres to leave
 * @example besideBed({ x: 0, y: 0, width: 4, length: 2, turn: 0 }, [], 0.5) // { x: 4.5, y: 0, width: 4, length: 2, turn: 0 }
 */
export function besideBed(bed: Plot, others: Plot[], path: number): Plot {
  const taken = others.map(cornersOf);
  const free = (plot: Plot) => taken.every((other) => gap(cornersOf(plot), other) >= path - 0.005);
  const { x, y, width, length, turn } = bed;
  const plot = { x, y, width, length, turn };
  const places = Array.from({ length: TRIED }, (_, i) => {
    const step = Math.floor(i / 2) + 1;
    return i % 2 === 0 ? shifted(plot, step * (width + path), 0) : shifted(plot, 0, step * (length + path));
  });
  return places.find(free) ?? places[0]!;
}

/**
 * A plot's equal parts along its longer side, as plots themselves, from its west or south end.
 * @example partsOf({ x: 0, y: 0, width: 6, length: 2, turn: 0 }, 3).map(({ x, width }) => [x, width]) // [[0, 2], [2, 2], [4,
 *   2]]
 */
export function partsOf({ x, y, width, length, turn }: Plot, count: number): Plot[] {
  const wide = width >= length;
  const [w, l] = wide ? [width / count, length] : [width, length / count];
  const middle = { x: x + width / 2, y: y + length / 2 };
  return Array.from({ length: count }, (_, i) => {
    const off = (i + 0.5) * (wide ? w : l) - (wide ? width : length) / 2;
    const way = wide ? { x: off, y: 0 } : { x: 0, y: off };
    return { ...plotAround(fromTurned(middle, way, turn), w, l), turn };
  });
}
