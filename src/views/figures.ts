import { mean } from "simple-statistics";
import { type Day, daysBetween } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { withinGroups } from "@/core/numbers/within";
import { adjustedForAge } from "@/core/selection/age";
import { placeOf } from "@/core/selection/bench";
import type { FamilyPair } from "@/core/selection/heritability";
import { adjustedForPlace, type PlaceModel } from "@/core/selection/place";
import { individualOf } from "@/records/line/pedigree";
import type { Yardstick } from "@/records/yardstick/yardstick";
import { figureOf, type ShownPlant } from "./shown";

/** A plant of a stand with its figure on one yardstick: measured, or 1 for what is wanted and 0 for anything else. */
export type Figure = {
  plantId: Id;
  standId: Id;
  plantNumber: number;
  environment: string;
  value: number;
  lookedOn: Day | null;
  checkOfId: Id | null;
};

export const figuresOf = (shown: ShownPlant[], mark: Yardstick): Figure[] =>
  shown.flatMap(({ row: { plantId, standId, plantNumber, season, bedId, checkOfId }, values, lookedOn }) => {
    const value = figureOf(mark, values[mark.id]);
    return value === null
      ? []
      : [
          {
            plantId,
            standId,
            plantNumber,
            environment: `${season} ${bedId ?? standId}`,
            value,
            lookedOn: lookedOn[mark.id] ?? null,
            checkOfId,
          },
        ];
  });

/** What is scored on a day is older the later: days themselves, and what is added up or seen for ever, are not. */
const grows = ({ kind, often }: Pick<Yardstick, "kind" | "often">): boolean =>
  often === "once" && (kind === "number" || kind === "count" || kind === "scale");

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

export type FoundPlace = { model: PlaceModel; explained: number };

/** Figures as they would be in the middle of their stand, stand by stand, checks left out once they have told their places; and the model of the stand asked for. */
export function inPlace(figures: Figure[], perRow: (standId: Id) => number, asked: Id) {
  let place: FoundPlace = { model: "none", explained: 0 };
  const adjusted = [...groupBy(figures, ({ standId }) => standId)].flatMap(([standId, own]) => {
    const { model, explained, values } = adjustedForPlace(
      own.map(({ plantNumber, value, checkOfId }) => ({
        ...placeOf(plantNumber, perRow(standId)),
        value,
        check: checkOfId,
      })),
    );
    if (standId === asked) place = { model, explained };
    return own.map((figure, i) => ({ ...figure, value: values[i]! }));
  });
  return { place, adjusted: adjusted.filter(({ checkOfId }) => checkOfId === null) };
}

/** Standard deviation within stands. */
export function spreadWithin(figures: Figure[]): number {
  const families = groupBy(figures, ({ standId }) => standId).values();
  const { squares, freedom } = withinGroups([...families].map((own) => own.map(({ value }) => value)));
  return freedom > 0 ? Math.sqrt(squares / freedom) : 0;
}

type Parents = { mother?: string | null; father?: string | null };

/** Families beside their parents, where both were seen in company: a family alone in its bed tells nothing against others. */
export function pairsOf(figures: Figure[], parentsOf: (figure: Figure) => Parents): FamilyPair[] {
  const environments = groupBy(figures, ({ environment }) => environment);
  const company = new Map(
    [...environments].map(([name, own]) => [
      name,
      {
        middle: mean(own.map(({ value }) => value)),
        families: new Set(own.map(({ standId }) => standId)).size,
        plants: own.length,
      },
    ]),
  );
  const byIndividual = new Map(
    figures.map((figure) => [individualOf({ standId: figure.standId, plantId: figure.plantId }), figure]),
  );
  const apart = ({ value, environment }: Figure) => value - company.get(environment)!.middle;
  return [...groupBy(figures, ({ standId }) => standId).values()].flatMap((own): FamilyPair[] => {
    const { environment } = own[0]!;
    if (company.get(environment)!.families < 2) return [];
    const { mother, father } = parentsOf(own[0]!);
    const [m, f] = [mother, father].map((id) => (id ? byIndividual.get(id) : undefined));
    if (!m || company.get(m.environment)!.plants < 5) return [];
    const offspring = mean(own.map(apart));
    if (f) return [{ parents: (apart(m) + apart(f)) / 2, offspring, seen: own.length, passed: 1 }];
    return [{ parents: apart(m), offspring, seen: own.length, passed: 0.5 }];
  });
}
