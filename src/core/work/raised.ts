import type { Range } from "../flowering/facts";
import { germinationInterval } from "../seed/germination";
import type { Through } from "./losses";
import { STAYS_USUALLY } from "./raise";

/** What was counted of a stand on its way into the ground. */
export type Counts = {
  sowedSeeds: number | null;
  cameUp: number | null;
  /** Pricked out, or left one to a cell. */
  potted: number | null;
  plants: number | null;
  /** Sound seedlings that were not needed. */
  spare: number | null;
  perCell: number | null;
  wanted: number | null;
};

/**
 * How many of the seedlings that came up could stand: those that do, and those that were sound but not needed. Where
 * seedlings were left out by choice (thinned in their place or in cells, or as many as were wanted) and nobody counted
 * them, nothing is known of what was lost.
 * @param inPlace whether it was sown where it stands
 * @example stayed({ cameUp: 30, plants: 24, spare: 4, perCell: null, wanted: 24 }, false) // { through: 28, of: 30 }
 */
export function stayed(
  { cameUp, plants, spare, perCell, wanted }: Pick<Counts, "cameUp" | "plants" | "spare" | "perCell" | "wanted">,
  inPlace: boolean,
): Through | null {
  if (cameUp === null || plants === null) return null;
  const chosen = inPlace || (perCell ?? 1) > 1 || (wanted !== null && plants >= wanted);
  if (spare === null && chosen) return null;
  return { through: Math.min(cameUp, plants + (spare ?? 0)), of: cameUp };
}

/** A stage of raising as it was counted; how it was, where it can be told from what is usual. */
export type StageCount = {
  stage: "up" | "potted" | "standing";
  through: number;
  of: number;
  usual: Range | null;
  verdict: "as usual" | "worse" | "better" | null;
};

/** A stage is called worse or better than usual when its nine-tenths range lies outside of it. */
const SURE = 0.9;

function judged(stage: StageCount["stage"], { through, of }: Through, usual: Range): StageCount {
  if (of === 0) return { stage, through, of, usual, verdict: null };
  const { low, high } = germinationInterval({ germinated: through, sown: of, confidence: SURE });
  return {
    stage,
    through,
    of,
    usual,
    verdict: high < usual.low ? "worse" : low > usual.high ? "better" : "as usual",
  };
}

/**
 * The stages of raising a stand that were counted, each beside what is usual.
 * @param emergence what usually comes up, 0–1
 * @param inPlace whether it was sown where it stands
 * @returns in the order of raising; what nobody counted is left out
 * @example stagesCounted({ sowedSeeds: 40, cameUp: 12, potted: null, plants: null, spare: null, perCell: null, wanted: null }, { low: 0.7, high: 0.9 }, false)[0].verdict // "worse"
 */
export function stagesCounted(counts: Counts, emergence: Range, inPlace: boolean): StageCount[] {
  const { sowedSeeds, cameUp, potted } = counts;
  if (!sowedSeeds || cameUp === null) return [];
  const standing = stayed(counts, inPlace);
  return [
    judged("up", { through: cameUp, of: sowedSeeds }, emergence),
    ...(potted === null ? [] : [{ stage: "potted", through: potted, of: cameUp, usual: null, verdict: null } as const]),
    ...(standing ? [judged("standing", standing, STAYS_USUALLY)] : []),
  ];
}
