import { normalFrom, seeded } from "../numbers/chance";

/** A line as a scale sends it some times a second: a number and its unit; what it shows in between is left out. */
const WRITTEN = /^\s*([+-]?)\s*(\d{1,6}(?:\.\d{1,4})?)\s*(g|kg)\s*$/;

/**
 * Grams in a line of a scale.
 * @returns null for a line that is no weight: rubbish, a dropout, an overload
 * @example gramsIn("+  12.34 g") // 12.34
 */
export function gramsIn(line: string): number | null {
  const [, sign, digits, unit] = WRITTEN.exec(line) ?? [];
  if (!digits) return null;
  return (sign === "-" ? -1 : 1) * Number(digits) * (unit === "kg" ? 1000 : 1);
}

/** So many lines on end must agree. */
const ALIKE = 6;
/** They agree within this, grams, or within so much of the weight. */
const WITHIN = { grams: 0.02, share: 0.0015 };
const withinOf = (grams: number) => Math.max(WITHIN.grams, WITHIN.share * Math.abs(grams));

/** What a scale says now: a weight that has settled, one that still moves, or nothing that is a weight. */
export type ScaleState = { kind: "settled" | "moving"; grams: number } | { kind: "silent" };

/**
 * What the last lines of a scale come to. A weight is only taken when six lines on end agree; a line that is no weight
 * begins the count anew, so a jump, a drift or a dropout gives no weight.
 * @param lines the newest last
 * @example scaleState(["5.00 g", "5.01 g", "5.00 g", "5.00 g", "5.01 g", "5.00 g"]) // { kind: "settled", grams: 5 }
 */
export function scaleState(lines: string[]): ScaleState {
  const last = lines.slice(-ALIKE).map(gramsIn);
  const now = last.at(-1) ?? null;
  if (now === null) return { kind: "silent" };
  const known = last.filter((grams) => grams !== null);
  const spread = Math.max(...known) - Math.min(...known);
  if (known.length < ALIKE || spread > withinOf(now)) return { kind: "moving", grams: now };
  const middle = [...known].sort((a, b) => a - b)[ALIKE >> 1]!;
  return { kind: "settled", grams: Number(middle.toFixed(3)) };
}

/**
 * What a scale that was switched off goes on showing: the weight it last settled on, unless another came after it.
 * @param lines the newest last
 * @example scaleAtLast(["5.00 g", "5.01 g", "5.00 g", "5.00 g", "5.01 g", "5.00 g", "------"]) // { kind: "settled", grams: 5 }
 */
export function scaleAtLast(lines: string[]): ScaleState {
  const states = lines.map((_, i) => scaleState(lines.slice(0, i + 1)));
  const at = states.findLastIndex(({ kind }) => kind === "settled");
  const settled = states[at];
  if (settled?.kind !== "settled") return scaleState(lines);
  const after = lines.slice(at + 1).map(gramsIn);
  const same = after.every((grams) => grams === null || Math.abs(grams - settled.grams) <= withinOf(settled.grams));
  return same ? settled : scaleState(lines);
}

/** How a simulated scale misbehaves. */
export type ScaleFault = "none" | "drift" | "dropouts" | "rubbish" | "stall";

/**
 * The lines of the simulated scale after something was put on it: it swings, settles, trembles in its last digit, and
 * now and then drops a line. It stands in for a scale on a serial line that writes the same.
 * @param grams what lies on it
 * @param seed any whole number
 * @param count lines wanted
 * @example scaleLines(12.5, 1, 30, "none").length // 30
 */
export function scaleLines(grams: number, seed: number, count: number, fault: ScaleFault): string[] {
  const luck = seeded(seed);
  return Array.from({ length: count }, (_, i) => {
    if (fault === "stall" && i >= 4) return "";
    const chance = luck();
    if (chance < (fault === "dropouts" ? 0.35 : 0.03)) return "------";
    if (fault === "rubbish" && chance > 0.6) return ["\u0000\u0007??", "E-2", "1e9 g", "12.3.4 g", "NaN g"][i % 5]!;
    const swing = grams * 0.4 * Math.exp(-i / 2.5) * Math.cos(i * 1.7);
    const drift = fault === "drift" ? 0.06 * i : 0;
    const tremble = 0.004 * normalFrom(luck(), luck());
    return `${(grams + swing + drift + tremble).toFixed(2)} g`;
  });
}
