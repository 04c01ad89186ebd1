import { inbreedingGrowth } from "../inheritance/smallPopulation";
import { selectionIntensity } from "../selection/intensity";
import type { PlannedGeneration } from "./linePlan";
import type { PlanAct } from "./schemes";

/** A sowing as it is meant, beside its plan. */
export type Meant = { plants: number; mothers: number };

/** What it costs that a sowing differs from its plan: shares 0–1, planned and as it is meant. */
export type Cost =
  /** The chance that one plant at least shows every wanted single-gene trait. */
  | { kind: "chance"; planned: number; meant: number }
  /** What choosing among them gains, as a share of what was planned. */
  | { kind: "gain"; share: number }
  /** Families that are not grown, of how many. */
  | { kind: "mothers"; missing: number; of: number }
  /** What is lost of a line's variety in one generation. */
  | { kind: "narrows"; planned: number; meant: number };

const CHOOSING: ReadonlySet<PlanAct> = new Set(["select-self", "select-open", "pair", "clone", "compare", "backcross"]);
const MATING: ReadonlySet<PlanAct> = new Set(["keep", "let-be", "select-open", "pair"]);
/** Less than so much makes no difference worth a word. */
const SLIGHT = 0.03;

const gainOf = (kept: number, plants: number) =>
  plants <= 1 ? 0 : selectionIntensity({ selected: Math.max(1, Math.min(kept, plants)), candidates: plants }).intensity;
const narrowedBy = (kept: number, plants: number) =>
  inbreedingGrowth({ effectiveSize: Math.max(0.5, Math.min(kept, plants)), generations: 1 }).inbreeding;

/**
 * What fewer plants or mothers than planned cost; nothing where there are as many or more.
 * @param share of plants that show every wanted single-gene trait, 0–1; null where none is wanted
 * @param outcrosses whether few parents narrow it
 * @example costsOf({ generation: 2, season: 2028, act: "select-self", plants: 48, mothers: 1, kept: 6, guard: "hand" }, { plants: 12, mothers: 1 }, { share: 1 / 16, outcrosses: true }) // [{ kind: "chance", planned: 0.955, meant: 0.539 }, { kind: "gain", share: 0.467 }]
 */
export function costsOf(
  planned: PlannedGeneration,
  meant: Meant,
  { share, outcrosses }: { share: number | null; outcrosses: boolean },
): Cost[] {
  const { act, plants, mothers, kept } = planned;
  const costs: Cost[] = [];
  if (meant.plants < plants) {
    const chance = (count: number) => 1 - (1 - share!) ** count;
    if (share !== null && share < 1 && CHOOSING.has(act))
      costs.push({ kind: "chance", planned: chance(plants), meant: chance(meant.plants) });
    const before = CHOOSING.has(act) ? gainOf(kept, plants) : 0;
    const less = before > 0 ? gainOf(kept, meant.plants) / before : 1;
    if (less < 1 - SLIGHT) costs.push({ kind: "gain", share: less });
    if (outcrosses && MATING.has(act) && meant.plants < kept)
      costs.push({ kind: "narrows", planned: narrowedBy(kept, plants), meant: narrowedBy(kept, meant.plants) });
  }
  if (meant.mothers < mothers) costs.push({ kind: "mothers", missing: mothers - meant.mothers, of: mothers });
  return costs;
}
