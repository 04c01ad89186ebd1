import { speciesById } from "@/catalogue/catalogue";
import type { Overwintering } from "@/core/flowering/facts";
import { type Survival, winterSurvival } from "@/core/flowering/winter";
import { block, inRows, type Planting } from "@/core/ground/planting";
import type { EnoughInput } from "@/core/inheritance/enoughPlants";
import { effectiveSize } from "@/core/inheritance/smallPopulation";
import { type LivedStand, livedStand } from "./lived";
import type { ForecastStand, Outlook } from "./outlook";
import { type Raised, raisedOf } from "./raising";
import { reckonedPlants } from "./scene";

/** A stand as the ground shows it when it is chosen. */
export type GroundStand = LivedStand & {
  speciesName: string;
  vector: string;
  isolation: { low: number; high: number };
  /** Whether it is enough parents; null where nobody said how many plants it is, or will be. */
  enough: EnoughInput | null;
  /** Rows as planted, and the block that would fit best; null without plants or bed. */
  planting: { now: Planting | null; block: Planting; spacing: number } | null;
  needsWinter: boolean;
  /** The ways through the winter with the share that each brings through; null where it needs none. */
  winterWays: ({ way: Overwintering } & Survival)[] | null;
  /** Males and females as counted, and how many plants they count as. */
  sexes: { males: number; females: number; size: number } | null;
  /** The number that is reckoned with while none is counted; null once one is. */
  reckonedPlants: number | null;
  correction: { likely: number; observations: number } | null;
  raised: Raised;
};

/** Shares lost where the grower has no record: to roguing and to mishap. Working values. */
const ROGUED = 0.1;
const MISHAP = 0.1;
/** What each school wants of its plants: how many, how rare a thing is to be kept, and for how long it looks ahead. */
const AIMS = {
  "keep-pure": { aim: "keep well", rare: 0.05, generations: 10 },
  "cross-and-fix": { aim: "keep going", rare: 0.25, generations: 1 },
  "let-it-mix": { aim: "keep well", rare: 0.02, generations: 10 },
} as const;

const WAYS: Overwintering[] = ["lifted", "left", "late-sown"];

/** Males and females that were counted, and how many plants they count as; null where nobody counted. */
function sexesOf({ males, females }: ForecastStand): GroundStand["sexes"] {
  if (!males || !females) return null;
  return { males, females, size: effectiveSize({ kind: "dioecious", males, females }).effectiveSize };
}

export function groundStand(stand: ForecastStand, sky: Outlook): GroundStand {
  const species = speciesById(stand.species);
  const { outcrossing, plantSpacing } = species;
  const spacing = stand.spacing ?? (plantSpacing.low + plantSpacing.high) / 2;
  const bed = stand.width !== null && stand.length !== null ? { width: stand.width, length: stand.length } : null;
  const sexes = sexesOf(stand);
  const plants = sexes ? sexes.males + sexes.females : (stand.plants ?? stand.wanted ?? 0);
  const correction = sky.correction(stand.lineId);
  return {
    ...livedStand(stand, sky),
    speciesName: species.name,
    vector: species.vector,
    isolation: species.isolation[sky.garden.care],
    enough:
      plants > 0
        ? {
            plants,
            thumbs: species.plants,
            selfer: species.breeding === "selfing",
            selfingRate: 1 - (outcrossing.low + outcrossing.high) / 2,
            rogued: ROGUED,
            mishap: MISHAP,
            males: species.flowerType === "separate-sex plants" ? (sexes ? sexes.males / plants : 0.5) : null,
            ...AIMS[stand.school],
          }
        : null,
    planting:
      bed && plants > 0
        ? {
            now: stand.rowCount ? inRows(plants, stand.rowCount, spacing, bed) : null,
            block: block(plants, spacing, bed),
            spacing,
          }
        : null,
    reckonedPlants: stand.plants === null ? reckonedPlants(stand) : null,
    needsWinter: species.cold !== null && species.hardyTo !== null,
    winterWays:
      species.cold && species.hardyTo
        ? WAYS.map((way) => ({ way, ...winterSurvival(way, species.hardyTo!, sky.climate, species.inGround) }))
        : null,
    sexes,
    raised: raisedOf(sky, stand),
    correction: correction && { likely: correction.likely, observations: correction.observations },
  };
}
