import { nameWithGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { partsOf } from "@/core/ground/rows";
import { cornersOf, gap, middleOf, type Plot, type Point } from "@/core/ground/shape";
import { lengthInWords, type Units } from "@/core/units/units";
import type { Bed } from "@/records/bed/bed";
import type { Ground, Judged, MapStand } from "@/views/ground";
import { type Box, boxOn, type Frame, onSheet, type Size } from "./frame";
import { edgeMarks, linesIn, placeLabels, short, widthOf, wordsBox } from "./labels";
import { arrivalLines } from "./mapParts";

const nameOf = (stand: MapStand) => `${nameWithGeneration(stand)}${stand.firstYear ? ", first year" : ""}`;

const LONGEST = 24;
/** At the edge there is less room. */
const FAR_NAME = 18;

/** The stands of a bed, each with its part of it. */
export function standsIn(bed: Pick<Bed, "id"> & Plot, stands: Ground["stands"]): { stand: MapStand; part: Plot }[] {
  const here = stands.filter((s) => s.bedId === bed.id);
  const parts = partsOf(bed, here.length);
  return here.map((stand, i) => ({ stand, part: parts[i]! }));
}

/** What a bed is called on the map, with what grows in it. */
export function wordsFor(bed: Pick<Bed, "id" | "name">, stands: Ground["stands"]): string {
  const names = [...new Set(stands.filter((s) => s.bedId === bed.id).map(nameOf))];
  if (names.length === 0) return bed.name;
  return `${bed.name} · ${short(names[0]!, LONGEST)}${names.length > 1 ? ` +${names.length - 1}` : ""}`;
}

/** Words within a bed or a part of it, along its sides. */
export type Inside = { key: string; lines: string[]; x: number; y: number; turn: number };

/** A plot's words, written along it the way that reads level, if they fit. */
function inside(key: string, words: string, plot: Plot, frame: Frame): Inside | null {
  const [width, length] = [plot.width * frame.scale, plot.length * frame.scale];
  const turn = ((plot.turn + 45) % 90) - 45;
  // The side that lies level on the sheet, then the one that stands.
  const upright = Math.round((plot.turn - turn) / 90) % 2 === 1;
  const [level, standing] = upright ? [length, width] : [width, length];
  const middle = middleOf(cornersOf(plot));
  const at = { key, x: frame.x(middle.x), y: frame.y(middle.y) };
  const lines = linesIn(words, level, standing);
  if (lines) return { ...at, lines, turn };
  const along = linesIn(words, standing, level);
  return along && { ...at, lines: along, turn: turn - 90 };
}

const NARROW = 560;

type Shown = Pick<Ground, "stands" | "sources" | "barriers"> & {
  concern: Judged | null;
  units: Units;
  /** Beds as they are while one is dragged. */
  placed: Bed[];
  frame: Frame;
  size: Size;
  small: boolean;
  /** Words that stand on the sheet already. */
  taken: Box[];
};

/** Names within beds, whole or by the part; what finds no room there is left over for beside the bed. */
function insideBeds({ stands, placed, frame, size }: Shown): {
  written: Inside[];
  beside: { bed: Bed; words: string }[];
} {
  const written: Inside[] = [];
  const beside: { bed: Bed; words: string }[] = [];
  for (const bed of placed) {
    if (!onSheet(boxOn(frame, cornersOf(bed)), size)) continue;
    const here = standsIn(bed, stands);
    if (here.length > 1) {
      const names = here.map(({ stand, part }) => inside(stand.id, nameOf(stand), part, frame));
      if (names.every((one) => one !== null)) {
        written.push(...names);
        beside.push({ bed, words: bed.name });
        continue;
      }
    }
    const words = wordsFor(bed, stands);
    const whole = here.length > 1 ? null : inside(bed.id, words, bed, frame);
    // Where the sheet is narrow the bed's name is enough; a press says the rest.
    const narrow = size.width < NARROW;
    const named = whole ?? (narrow ? inside(bed.id, bed.name, bed, frame) : null);
    if (named) written.push(named);
    else beside.push({ bed, words: narrow ? bed.name : words });
  }
  return { written, beside };
}

/** Marks at the sheet's edge at most; the nearest are named. */
const MOST_FAR = 12;

function atEdge({ sources, placed, units, frame, size }: Shown, taken: Box[]) {
  const off = (outline: Point[]) => !onSheet(boxOn(frame, outline), size);
  const beds = placed.map((bed) => ({ bed, corners: cornersOf(bed) }));
  const seen = beds.filter(({ corners }) => !off(corners));
  // From the garden's nearest bed on the sheet; where none is on it, from the nearest there is.
  const from = (seen.length > 0 ? seen : beds).map(({ corners }) => corners);
  const named = (key: string, name: string, outline: Point[]) => {
    const ways = from.filter((corners) => corners !== outline).map((corners) => gap(corners, outline));
    const far = ways.length === 0 ? 0 : Math.min(...ways);
    const middle = middleOf(outline);
    return {
      key,
      far,
      words: `${short(name, FAR_NAME)}, ${lengthInWords(far < 20 ? far : Math.round(far), units)}`,
      at: { x: frame.x(middle.x), y: frame.y(middle.y) },
    };
  };
  const far = [
    ...beds.flatMap(({ bed, corners }) => (off(corners) ? [named(`bed ${bed.id}`, bed.name, corners)] : [])),
    ...sources.flatMap(({ id, name, outline }) => (off(outline) ? [named(`source ${id}`, name, outline)] : [])),
  ].sort((a, b) => a.far - b.far);
  const marks = edgeMarks(far.slice(0, MOST_FAR), size, taken);
  return { marks, more: far.length - marks.length };
}

/** The lines along which pollen arrives, and every name in its shape, beside it, or at the edge. */
export function wordsOn(shown: Shown) {
  const { stands, sources, barriers, concern, units, placed, frame, size, small, taken } = shown;
  const middleOfStand = (id: Id | undefined) => {
    const stand = stands.find((s) => s.id === id);
    const bed = placed.find((b) => b.id === stand?.bedId);
    if (!stand || !bed) return null;
    return middleOf(cornersOf(standsIn(bed, stands).find((one) => one.stand === stand)!.part));
  };
  const to = middleOfStand(concern?.standId);
  const lines =
    concern && to
      ? arrivalLines(concern, to, frame, size, units, (key) => {
          const [kind, id] = key.split(" ");
          const source = sources.find((s) => s.id === id);
          if (kind === "source") return source ? middleOf(source.outline) : null;
          return middleOfStand(id);
        })
      : [];
  const { written, beside } = insideBeds(shown);
  const onLines = lines.map((line) => wordsBox(line.at.x - widthOf(line.words) / 2, line.at.y, line.words));
  const boxes = [...placed.map(cornersOf), ...sources.map((s) => s.outline)].map((outline) => boxOn(frame, outline));
  const { marks, more } = atEdge(shown, [...taken, ...onLines, ...boxes]);
  const filled = placed.filter((bed) => !beside.some((b) => b.bed === bed)).map((bed) => boxOn(frame, cornersOf(bed)));
  const labels = placeLabels(
    [
      ...sources.map((s) => ({ key: `source ${s.id}`, words: s.name, box: boxOn(frame, s.outline) })),
      ...beside.map(({ bed, words }) => ({
        key: `bed ${bed.id}`,
        words: small ? bed.name : words,
        box: boxOn(frame, cornersOf(bed)),
      })),
      ...barriers.map((b) => ({ key: `barrier ${b.id}`, words: b.name, box: boxOn(frame, b.path), spare: true })),
    ],
    small,
    size,
    [...taken, ...onLines, ...filled, ...marks.map(({ x, y, words }) => wordsBox(x, y, words))],
  );
  return { lines, labels, written, marks, more };
}
