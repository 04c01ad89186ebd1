import type { Box, Size } from "./frame";

const LETTER = 7.4;
/** Of words within a shape, which are smaller. */
const SMALL_LETTER = 6.6;
const LINE = 15;

export const widthOf = (words: string) => words.length * LETTER + 4;

/** The box that words take whose first letter stands at a point. */
export const wordsBox = (x: number, y: number, words: string): Box => ({
  left: x,
  top: y - 11,
  right: x + widthOf(words),
  bottom: y + 3,
});

/** Words that stand beside their shape, and the line that leads to it where another shape is as near. */
export type Label = { key: string; words: string; x: number; y: number; line: [Spot, Spot] | null };
type Spot = { x: number; y: number };

/** Pixels between two boxes; 0 where they meet. */
export const between = (a: Box, b: Box): number =>
  Math.hypot(Math.max(0, a.left - b.right, b.left - a.right), Math.max(0, a.top - b.bottom, b.top - a.bottom));

/** Nearer than another shape by this and nobody asks whose name it is, px. */
const CLEARLY = 6;

const held = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value));

/** From the words to the nearest place well inside their shape. */
function leader(words: Box, shape: Box): [Spot, Spot] {
  const inset = (low: number, high: number) => Math.min(8, (high - low) / 2);
  const [dx, dy] = [inset(shape.left, shape.right), inset(shape.top, shape.bottom)];
  const x = held((words.left + words.right) / 2, shape.left + dx, shape.right - dx);
  const y = held((words.top + words.bottom) / 2, shape.top + dy, shape.bottom - dy);
  return [
    { x: held(x, words.left, words.right), y: held(y, words.top, words.bottom) },
    { x, y },
  ];
}

/** A name of so many letters at most, the rest left off. */
export const short = (name: string, longest: number) =>
  name.length > longest ? `${name.slice(0, longest - 1).trimEnd()}…` : name;

/** A name that finds no room is tried in so many letters, before it lies over something. */
const CUT_TO = [24, 14, 8];

type Named = { key: string; words: string; box: Box; spare?: boolean };

/**
 * Words beside shapes, moved and cut shorter until none lies on another or on a shape; where all is small, or a word can be
 * spared, it is left off for want of room. A name that does not stand clearly nearest to its own shape is led to it by a line.
 */
export function placeLabels(shapes: Named[], small: boolean, { width: across, height }: Size, taken: Box[]): Label[] {
  const labels: Label[] = [];
  for (const { key, words: whole, box, spare } of shapes) {
    if (box.right < 0 || box.left > across || box.bottom < 0 || box.top > height) continue;
    const others = shapes.filter((s) => s.key !== key).map((s) => s.box);
    const full = [box, ...others, ...labels.map((l) => wordsBox(l.x, l.y, l.words)), ...taken];
    const own = ({ x, y }: Spot, words: string) => {
      const here = wordsBox(x, y, words);
      return others.every((other) => between(here, other) > between(here, box) + CLEARLY);
    };
    const put = (words: string): (Spot & { words: string }) | undefined => {
      const width = widthOf(words);
      const clear = ({ x, y }: Spot) =>
        x > 0 &&
        x + width < across &&
        y > 14 &&
        y < height - 4 &&
        !full.some((o) => x < o.right && x + width > o.left && y - 11 < o.bottom && y + 3 > o.top);
      const spots = [
        { x: box.left, y: box.top - 6 },
        { x: box.left, y: box.bottom + 15 },
        { x: box.right - width, y: box.top - 6 },
        { x: box.right - width, y: box.bottom + 15 },
        { x: box.right + 6, y: (box.top + box.bottom) / 2 + 4 },
        { x: box.left - width - 6, y: (box.top + box.bottom) / 2 + 4 },
        { x: box.left, y: box.top - 24 },
        { x: box.left, y: box.bottom + 33 },
        { x: box.right - width, y: box.top - 24 },
        { x: box.right - width, y: box.bottom + 33 },
        { x: box.left - width / 2, y: box.top - 42 },
        { x: box.left - width / 2, y: box.bottom + 51 },
      ].filter(clear);
      const spot = spots.find((one) => own(one, words)) ?? spots[0];
      return spot && { ...spot, words };
    };
    const tried = [...new Set([whole, ...CUT_TO.map((longest) => short(whole, longest))])];
    const placed = tried.reduce<ReturnType<typeof put>>((found, words) => found ?? put(words), undefined);
    if (!placed && (small || spare)) continue;
    // Where nothing is free, over the shape, but never off the sheet.
    const words = tried.at(-1)!;
    const {
      x,
      y,
      words: said,
    } = placed ?? {
      x: Math.max(2, Math.min(box.left, across - widthOf(words) - 2)),
      y: Math.max(16, Math.min(box.top - 6, height - 6)),
      words,
    };
    labels.push({ key, words: said, x, y, line: own({ x, y }, said) ? null : leader(wordsBox(x, y, said), box) });
  }
  return labels;
}

/** Words in lines that fit a room, broken between words only; none where they do not. */
export function linesIn(words: string, width: number, height: number): string[] | null {
  const most = Math.floor((width - 8) / SMALL_LETTER);
  const lines: string[] = [];
  for (const word of words.split(" ")) {
    if (word.length > most) return null;
    const last = lines.at(-1);
    if (last !== undefined && last.length + 1 + word.length <= most) lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines.length * LINE <= height - 4 ? lines : null;
}

/** What lies off the sheet, as it stands at its edge: an arrow there, and words beside it. */
export type EdgeMark = { key: string; words: string; tip: Spot; angle: number; x: number; y: number };

const INSET = 10;
const STEP = 22;
/** Rows of words along the upper and the lower edge. */
const ROWS = 4;

/**
 * What lies off the sheet at its edge, each where the way from the middle leaves it, or as near along that edge as there
 * is room; in the order given, as many as find room.
 * @param at where each lies, in pixels off the sheet
 */
export function edgeMarks(
  far: { key: string; words: string; at: Spot }[],
  { width, height }: Size,
  taken: Box[],
): EdgeMark[] {
  const marks: EdgeMark[] = [];
  const boxes = [...taken];
  const middle = { x: width / 2, y: height / 2 };
  for (const { key, words, at } of far) {
    const [dx, dy] = [at.x - middle.x, at.y - middle.y];
    const share = Math.min(
      (middle.x - INSET) / Math.max(1e-9, Math.abs(dx)),
      (middle.y - INSET) / Math.max(1e-9, Math.abs(dy)),
    );
    const tip = { x: middle.x + dx * share, y: middle.y + dy * share };
    const upright = Math.abs(tip.x - middle.x) > middle.x - INSET - 1;
    const room = widthOf(words);
    const placed = Array.from({ length: 80 }, (_, i) => (i % 2 ? 1 : -1) * Math.ceil(i / 2) * STEP)
      .flatMap((off) => Array.from({ length: upright ? 1 : ROWS }, (_, row) => ({ off, deep: row * STEP })))
      // Words far in leave their arrow behind: rather along the edge.
      .sort((a, b) => Math.abs(a.off) + 4 * a.deep - Math.abs(b.off) - 4 * b.deep)
      .map(({ off, deep }) => {
        const arrow = upright ? { x: tip.x, y: tip.y + off } : { x: tip.x + off, y: tip.y };
        const beside = tip.x < middle.x ? tip.x + 12 : tip.x - 12 - room;
        const x = upright ? beside : held(arrow.x - room / 2, 2, width - room - 2);
        const under = tip.y < middle.y ? tip.y + 22 + deep : tip.y - 14 - deep;
        const y = upright ? arrow.y + 4 : under;
        return { arrow, x, y, box: wordsBox(x, y, words) };
      })
      .find(
        ({ arrow, box }) =>
          arrow.x >= INSET - 1 &&
          arrow.x <= width - INSET + 1 &&
          box.top > 4 &&
          box.bottom < height - 4 &&
          boxes.every((other) => between(box, other) > 3),
      );
    if (!placed) continue;
    boxes.push(placed.box);
    marks.push({
      key,
      words,
      tip: placed.arrow,
      angle: (Math.atan2(at.y - placed.arrow.y, at.x - placed.arrow.x) * 180) / Math.PI,
      x: placed.x,
      y: placed.y,
    });
  }
  return marks;
}
