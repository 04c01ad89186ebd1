import { mean } from "simple-statistics";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { placeOf } from "@/core/selection/bench";
import type { FamilyPair } from "@/core/selection/heritability";
import { adjustedForPlace, type PlaceModel } from "@/core/selection/place";
import { individualOf } from "@/records/line/pedigree";
import type { Yardstick } from "@/records/yardstick/yardstick";
import { figureOf, type ShownPlant } from "./shown";

/** A plant of a stand with its figure on one yardstick: measured, or 1 for what is wanted and 0 for anything else. */
export type Figure = { plantId: Id; standId: Id; plantNumber: number; environment: string; value: number };

export const figuresOf = (shown: ShownPlant[], mark: Yardstick): Figure[] =>
  shown.flatMap(({ row: { plantId, standId, plantNumber, season, bedId }, values }) => {
    const value = figureOf(mark, values[mark.id]);
    return value === null
      ? []
      : [{ plantId, standId, plantNumber, environment: `${season} ${bedId ?? standId}`, value }];
  });

export type FoundPlace = { model: PlaceModel; explained: number };

/** Figures as they would be in the middle of their stand, stand by stand; and the model of the stand asked for. */
export function inPlace(figures: Figure[], perRow: (standId: Id) => number, asked: Id) {
  let place: FoundPlace = { model: "none", explained: 0 };
  const adjusted = [...groupBy(figures, ({ standId }) => standId)].flatMap(([standId, own]) => {
    const { model, explained, values } = adjustedForPlace(
      own.map(({ plantNumber, value }) => ({ ...placeOf(plantNumber, perRow(standId)), value })),
    );
    if (standId === asked) place = { model, explained };
    return own.map((figure, i) => ({ ...figure, value: values[i]! }));
  });
  return { place, adjusted };
}

/** Standard deviation within stands. */
export function spreadWithin(figures: Figure[]): number {
  let [sum, freedom] = [0, 0];
  for (const own of groupBy(figures, ({ standId }) => standId).values()) {
    const middle = mean(own.map(({ value }) => value));
    sum += own.reduce((s, { value }) => s + (value - middle) ** 2, 0);
    freedom += own.length - 1;
  }
  return freedom > 0 ? Math.sqrt(sum / freedom) : 0;
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
