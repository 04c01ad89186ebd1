import { kindOf } from "@/core/traits/kinds";
import { fixed, numberTyped } from "@/core/writing/numbers";
import type { Yardstick } from "@/records/yardstick/yardstick";

export const STAGES: Record<Yardstick["stage"], string> = {
  any: "Any time",
  seedling: "As a seedling",
  leaf: "In leaf, before it flowers",
  flower: "In flower",
  fruit: "In fruit",
  harvest: "At the harvest",
  store: "In the store",
};

export const OFTEN: Record<Yardstick["often"], string> = {
  once: "Once; a second look checks the eye",
  again: "Again and again; the mean counts",
  pass: "At each picking; added up",
};

export const DRAWINGS: Record<NonNullable<Yardstick["drawn"]>, string> = {
  size: "Small to large",
  length: "Short to long",
  depth: "Pale to deep",
  spread: "Lying to upright",
  netting: "Smooth to netted",
  damage: "Spotted to sound",
};

export const unitOf = ({ kind, unit }: Pick<Yardstick, "kind" | "unit">): string => kindOf({ kind }).units(unit).value;

const withUnit = (value: number, of: Pick<Yardstick, "kind" | "unit">): string =>
  `${numberTyped(value)}${unitOf(of) ? ` ${unitOf(of)}` : ""}`;

/** What is wanted, and what puts a plant out by itself. */
export function wantedInWords(y: Yardstick): string {
  const wish = {
    high: "more is better",
    low: "less is better",
    target: `near ${y.target === null ? "" : withUnit(y.target, y)}`,
    range: `from ${numberTyped(y.low ?? 0)} to ${withUnit(y.high ?? 0, y)}`,
    category: `${y.targetWord} wanted`,
    yes: "yes wanted",
    no: "no wanted",
    none: "looked at, not selected for",
  }[y.wanted];
  const out = [
    y.floor === null ? "" : `below ${withUnit(y.floor, y)}`,
    y.ceiling === null ? "" : `above ${withUnit(y.ceiling, y)}`,
    y.must ? "any other" : "",
  ].filter(Boolean);
  return out.length > 0 ? `${wish}; ${out.join(" or ")} is out` : wish;
}

const told = (value: number) => fixed(value, Math.abs(value) >= 20 ? 0 : 2);

export const meanInWords = (mean: number, spread: number | null, unit: string): string =>
  `${told(mean)}${spread === null ? "" : ` ± ${told(spread)}`}${unit ? ` ${unit}` : ""}`;

/** A step that is easy to picture: about one standard deviation, in round figures. */
export function roundStep(spread: number): number {
  if (!(spread > 0)) return 1;
  const scale = 10 ** Math.floor(Math.log10(spread));
  const lead = spread / scale;
  return (lead < 1.5 ? 1 : lead < 3.5 ? 2 : lead < 7.5 ? 5 : 10) * scale;
}
