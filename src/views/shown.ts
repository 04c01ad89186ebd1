import type { Day } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import type { Aim } from "@/core/selection/ranking";
import { isMeasured } from "@/core/traits/kinds";
import { type Look, type ScoreValue, valueOfLooks, withRatios } from "@/core/traits/trait";
import type { LookRow } from "@/records/line/queries";
import type { Yardstick } from "@/records/yardstick/yardstick";

/** What a plant shows on a yardstick, of however many looks. */
export const shownOn = ({ often, kind }: Pick<Yardstick, "often" | "kind">, looks: Look[]): ScoreValue =>
  valueOfLooks(looks, often, isMeasured({ kind }));

/** A plant where it stood, with what it shows on all yardsticks, ratios too. */
export type ShownPlant = {
  row: Pick<LookRow, "plantId" | "standId" | "plantNumber" | "lineId" | "season" | "bedId" | "checkOfId">;
  values: Record<Id, ScoreValue>;
  /** By yardstick, the day of its last look. */
  lookedOn: Record<Id, Day>;
};

/** What each plant shows, by plant, in the order of their first looks. */
export function shownBy(looks: LookRow[], marks: Yardstick[]): Map<Id, ShownPlant> {
  const by = new Map(marks.map((mark) => [mark.id, mark]));
  return new Map(
    [...groupBy(looks, ({ plantId }) => plantId)].map(([plantId, own]) => {
      const values: ShownPlant["values"] = {};
      const lookedOn: ShownPlant["lookedOn"] = {};
      for (const [id, of] of groupBy(own, ({ yardstickId }) => yardstickId)) {
        const mark = by.get(id);
        if (mark) values[id] = shownOn(mark, of);
        lookedOn[id] = of.at(-1)!.scoredOn;
      }
      return [plantId, { row: own[0]!, values: withRatios(values, marks), lookedOn }];
    }),
  );
}

/** A value as a word: of yes or no that word. */
export const wordOf = ({ word, number }: ScoreValue): string => word ?? (number === 1 ? "yes" : "no");

/** A value as a figure: measured, or of words 1 for the wanted one and 0 for any other; null where nothing was seen. */
export function figureOf(mark: Pick<Yardstick, "targetWord">, value: ScoreValue | undefined): number | null {
  if (!value) return null;
  return value.word === null ? value.number : Number(value.word === mark.targetWord);
}

/** What is wanted of such figures: of words that there are more of the wanted one. */
export const aimOfFigures = <A extends Aim>(mark: A): A =>
  mark.wanted === "category" ? { ...mark, wanted: "high" } : mark;

/** The line that a plant beside is of. */
export const lineBeside = ({ checkOfId, lineId }: Pick<ShownPlant["row"], "lineId" | "checkOfId">): Id =>
  checkOfId ?? lineId;

/** Figures of known lines beside a line's own plants, each line's together: those of a check by what it is sown as. */
export const byLineBeside = <T extends Pick<ShownPlant["row"], "lineId" | "checkOfId">>(
  plants: T[],
  figure: (plant: T) => number,
): Record<Id, number[]> =>
  Object.fromEntries([...groupBy(plants, lineBeside)].map(([line, list]) => [line, list.map(figure)]));
