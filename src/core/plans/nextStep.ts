/** Where a line stands on its way today. */
export type OnItsWay = {
  /** Anything of it was ever here: a planting, seed, a cross. */
  begun: boolean;
  /** Plants of it stand, or are in trays. */
  growing: boolean;
  /** A sowing of it is planned. */
  planned: boolean;
  /** A cross that it comes of is planned or under way. */
  crossing: boolean;
  /** Seed of it lies on the table, to be cleaned. */
  onTable: boolean;
  /** Living seed of it in the drawer. */
  seed: boolean;
  /** That seed is of the plan's next generation, or is to be renewed before it dies. */
  toSow: boolean;
};

/** What a line's next step is: `begin` is to get its first seed, `keeps` to sow it in a later season; `lost` is none, as nothing of it lives. */
export type NextStep = "growing" | "planned" | "crossing" | "clean" | "sow" | "keeps" | "begin" | "lost";

/**
 * The next step on a line's way, the first that there is.
 * @example nextStep({ begun: true, growing: false, planned: false, crossing: false, onTable: false, seed: false, toSow: false }) // "lost"
 * @example nextStep({ begun: true, growing: false, planned: false, crossing: false, onTable: false, seed: true, toSow: true }) // "sow"
 */
export function nextStep({ begun, growing, planned, crossing, onTable, seed, toSow }: OnItsWay): NextStep {
  if (growing) return "growing";
  if (planned) return "planned";
  if (crossing) return "crossing";
  if (onTable) return "clean";
  if (!seed) return begun ? "lost" : "begin";
  return toSow ? "sow" : "keeps";
}
