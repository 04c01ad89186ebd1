import { type Day, daysBetween } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { partsOf } from "@/core/ground/rows";
import { groupBy } from "@/core/lists/groupBy";
import { adjustedForAge } from "@/core/selection/age";
import { placeOf, plantsInRow } from "@/core/selection/bench";
import { kindOf } from "@/core/traits/kinds";
import type { Db } from "@/db/open";
import { type PlantedStand, plantedStands } from "@/records/plant/queries";
import type { Yardstick } from "@/records/yardstick/yardstick";
import { figureOf, type ShownPlant } from "./shown";

/** A plant of a stand with its figure on one trait. */
export type Figure = { plantId: Id; standId: Id; value: number; lookedOn: Day | null };

export const figuresOf = (shown: ShownPlant[], mark: Yardstick): Figure[] =>
  shown.flatMap(({ row: { plantId, standId }, values, lookedOn }) => {
    const value = figureOf(mark, values[mark.id]);
    return value === null ? [] : [{ plantId, standId, value, lookedOn: lookedOn[mark.id] ?? null }];
  });

/** What is scored on a day is older the later: days themselves, and what is added up or seen for ever, are not. */
const grows = (mark: Yardstick): boolean => mark.often === "once" && kindOf(mark).often.includes("again");

export type FoundAge = { explained: number; perDay: number };

/** Figures as they would be if every plant of a stand had been looked at on one day; and what the day does in the stand asked for. */
export function inAge(figures: Figure[], mark: Yardstick, asked: Id): { age: FoundAge; adjusted: Figure[] } {
  let age: FoundAge = { explained: 0, perDay: 0 };
  if (!grows(mark)) return { age, adjusted: figures };
  const adjusted = [...groupBy(figures, ({ standId }) => standId)].flatMap(([standId, own]) => {
    const from = own[0]!.lookedOn;
    if (from === null || own.some(({ lookedOn }) => lookedOn === null)) return own;
    const { values, ...found } = adjustedForAge(
      own.map(({ lookedOn, value }) => ({ day: daysBetween(from, lookedOn!), value })),
    );
    if (standId === asked) age = found;
    return own.map((figure, i) => ({ ...figure, value: values[i]! }));
  });
  return { age, adjusted };
}

/** Where a plant stands: its row, and metres in its bed, from its corner. */
export type PlantPlace = { environment: string; row: string; x: number; y: number };

/** A stand without a bed is taken to stand in rows so far apart, plants so far in them, m. Working values. */
const APART = { rows: 0.5, plants: 0.4 };

/**
 * Where every plant of every stand stands: stands of one bed and season in its parts, side by side as the ground draws them, and
 * in each part rows along its longer side, numbered from the same end.
 */
export function placesOf(db: Db): (standId: Id, number: number) => PlantPlace {
  const stands = plantedStands(db);
  const by = new Map<Id, (number: number) => PlantPlace>();
  for (const [environment, here] of groupBy(stands, ({ season, bedId, id }) => `${season} ${bedId ?? id}`)) {
    const [{ width, length }] = here as [PlantedStand];
    const parts =
      width !== null && length !== null
        ? partsOf({ x: 0, y: 0, width, length, turn: 0 }, here.length)
        : here.map(() => null);
    for (const [i, stand] of here.entries()) by.set(stand.id, placing(environment, stand, parts[i] ?? null));
  }
  return (standId, number) => by.get(standId)!(number);
}

function placing(
  environment: string,
  { id, rowCount, numbered }: PlantedStand,
  part: { x: number; y: number; width: number; length: number } | null,
): (number: number) => PlantPlace {
  const perRow = plantsInRow(numbered, rowCount);
  const rows = Math.max(1, Math.ceil(numbered / perRow));
  return (number) => {
    const { row, at } = placeOf(number, perRow);
    const place = { environment, row: `${id} ${row}` };
    if (!part) return { ...place, x: at * APART.plants, y: row * APART.rows };
    const [along, across] = [(at + 0.5) / perRow, (row + 0.5) / rows];
    const wide = part.width >= part.length;
    return {
      ...place,
      x: part.x + part.width * (wide ? along : across),
      y: part.y + part.length * (wide ? across : along),
    };
  };
}
