import type { Kind } from "@/core/custody/code";
import type { Fonts, Weight } from "./tagFonts";

export type TagText = { kind: Kind; code: string; title: string; lines: string[] };
/** Lengths in mm. */
export type Sides = { width: number; height: number };

/** Tags are laid out in points. */
export const MM = 72 / 25.4;
/** Smaller letters than this are not read in a garden, points. */
const LEAST = 5;
/** Letters of a tag 32 mm high where there is room, points. */
const SIZES = { code: 15, title: 10, line: 8 };
const USUAL_HEIGHT = 32;
/** From one line to the next, in letters' heights. */
const LEADING = 1.18;
/** No line of a tag says more than this; what is longer than any name is cut. */
const MOST = 160;
/** Room that a shape's nose or neck takes from the left, as a share of its height. */
const NOSE: Partial<Record<Kind, number>> = { cross: 0.34, plant: 0.3, line: 0.3, flower: 0.42 };

export type Written = { words: string; weight: Weight; size: number; x: number; y: number };
/** A tag's square code by its lower left corner, and its words; points from the tag's own lower left corner. */
export type Layout = { square: { x: number; y: number; side: number }; written: Written[] };

const cut = (words: string) => (words.length > MOST ? `${words.slice(0, MOST - 1)}…` : words);

/** Words broken into lines at most so wide: between words, after a dash, and within a word only where it is too long. */
export function wrapped(words: string, fits: (line: string) => boolean): string[] {
  const lines: string[] = [];
  let line = "";
  for (const piece of words.trim().split(/(?<=[\s-])/)) {
    if (fits((line + piece).trimEnd())) {
      line += piece;
      continue;
    }
    if (line) lines.push(line.trimEnd());
    line = "";
    for (const sign of piece) {
      if (line && !fits((line + sign).trimEnd())) {
        lines.push(line.trimEnd());
        line = "";
      }
      line += sign;
    }
  }
  return line.trimEnd() ? [...lines, line.trimEnd()] : lines;
}

/** A code breaks after its dashes and nowhere else. */
const codeLines = (code: string, fits: (line: string) => boolean): string[] | null => {
  const lines = wrapped(code, fits);
  return lines.slice(0, -1).every((line) => line.endsWith("-")) && lines.every(fits) ? lines : null;
};

/**
 * Where everything of a tag stands: its code whole, names wrapped, letters smaller where there is much to say; null where
 * they would be too small to read.
 */
export function layoutOf(tag: TagText, sides: Sides, fonts: Fonts): Layout | null {
  const [width, height] = [sides.width * MM, sides.height * MM];
  const side = Math.min(height * 0.69, width * 0.3);
  const square = { x: height * (NOSE[tag.kind] ?? 0.12), y: (height - side) / 2, side };
  const x = square.x + side + height * 0.12;
  const room = { width: width - height * 0.42 - x, height: height * 0.9 };
  const lacking = fonts.lacks([tag.title, ...tag.lines].map(cut).join(" "));
  const lines = lacking.length > 0 ? [...tag.lines, `? stands for signs that no font here has`] : tag.lines;
  const scale = Math.min(2, sides.height / USUAL_HEIGHT);
  for (let share = 1; ; share -= 0.04) {
    const size = (usual: number) => Math.max(LEAST, usual * scale * share);
    const put = (words: string, weight: Weight, usual: number) =>
      wrapped(cut(words), (line) => fonts.width(line, weight, size(usual)) <= room.width).map((line) => ({
        words: line,
        weight,
        size: size(usual),
      }));
    const code = codeLines(tag.code, (line) => fonts.width(line, "bold", size(SIZES.code)) <= room.width);
    const rows = [
      ...(code ?? []).map((words) => ({ words, weight: "bold" as const, size: size(SIZES.code) })),
      ...put(tag.title, "bold", SIZES.title),
      ...lines.flatMap((line) => put(line, "plain", SIZES.line)),
    ];
    const tall = rows.reduce((sum, row) => sum + row.size * LEADING, 0);
    if (code && tall <= room.height) {
      let y = height - (height - tall) / 2;
      return {
        square,
        written: rows.map((row) => {
          y -= row.size * LEADING;
          // The letters' foot stands a little above the row's.
          return { ...row, x, y: y + row.size * 0.25 };
        }),
      };
    }
    if (size(SIZES.code) === LEAST && size(SIZES.line) === LEAST) return null;
  }
}

/** A square code's cells must be no smaller than this to be read, mm. */
const LEAST_CELL = 0.3;

/**
 * The smallest size of the same shape on which all tags can be read, in whole mm; the size asked for where they can.
 * @param cells cells along a side of the square code of each
 */
export function smallestFor(tags: TagText[], { width, height }: Sides, cells: number[], fonts: Fonts): Sides {
  const reads = (sides: Sides) =>
    tags.every((tag, i) => {
      const layout = layoutOf(tag, sides, fonts);
      return layout !== null && layout.square.side / MM / cells[i]! >= LEAST_CELL;
    });
  let sides = { width, height };
  for (let by = 1; !reads(sides); by += 0.03) sides = { width: Math.ceil(width * by), height: Math.ceil(height * by) };
  return sides;
}
