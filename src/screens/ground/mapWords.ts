import { nameWithGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { cornersOf, middleOf } from "@/core/ground/shape";
import type { Units } from "@/core/units/units";
import type { Bed } from "@/records/bed/bed";
import type { Ground, Judged } from "@/views/ground";
import { boxOn, type Frame, placeLabels, type Size, widthOf, wordsBox } from "./frame";
import { arrivalLines } from "./mapParts";

/** What a bed is called on the map, with what grows in it. */
export function wordsFor(bed: Bed, stands: Ground["stands"]): string {
  const names = [
    ...new Set(
      stands
        .filter((s) => s.bedId === bed.id)
        .map((s) => `${nameWithGeneration(s.lineName, s.generation)}${s.firstYear ? ", first year" : ""}`),
    ),
  ];
  const short = (name: string) => (name.length > 24 ? `${name.slice(0, 23)}…` : name);
  if (names.length === 0) return bed.name;
  return `${bed.name} · ${short(names[0]!)}${names.length > 1 ? ` +${names.length - 1}` : ""}`;
}

type Shown = Pick<Ground, "stands" | "sources" | "barriers"> & {
  concern: Judged | null;
  units: Units;
  /** Beds as they are while one is dragged. */
  placed: Bed[];
  frame: Frame;
  size: Size;
  small: boolean;
};

/** The lines along which pollen arrives, and every name where it finds room beside them. */
export function wordsOn({ stands, sources, barriers, concern, units, placed, frame, size, small }: Shown) {
  const middleOfBed = (id: Id | null | undefined) => {
    const bed = placed.find((b) => b.id === id);
    return bed ? middleOf(cornersOf(bed)) : null;
  };
  const to = middleOfBed(stands.find((s) => s.id === concern?.standId)?.bedId);
  const lines =
    concern && to
      ? arrivalLines(concern, to, frame, size, units, (key) => {
          const [kind, id] = key.split(" ");
          const source = sources.find((s) => s.id === id);
          if (kind === "source") return source ? middleOf(source.outline) : null;
          return middleOfBed(stands.find((s) => s.id === id)?.bedId);
        })
      : [];
  const labels = placeLabels(
    [
      ...sources.map((s) => ({ key: `source ${s.id}`, words: s.name, box: boxOn(frame, s.outline) })),
      ...placed.map((bed) => ({
        key: `bed ${bed.id}`,
        words: small ? bed.name : wordsFor(bed, stands),
        box: boxOn(frame, cornersOf(bed)),
      })),
      ...barriers.map((b) => ({ key: `barrier ${b.id}`, words: b.name, box: boxOn(frame, b.path), spare: true })),
    ],
    small,
    size,
    lines.map((line) => wordsBox(line.at.x - widthOf(line.words) / 2, line.at.y, line.words)),
  );
  return { lines, labels };
}
