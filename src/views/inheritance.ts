import { speciesById } from "@/catalogue/catalogue";
import type { Id } from "@/core/custody/id";
import { type Making, type Ratios, ratiosOf } from "@/core/inheritance/ratios";
import { groupBy } from "@/core/lists/groupBy";
import type { ScoreValue } from "@/core/selection/yardsticks";
import type { Db } from "@/db/open";
import { crossById } from "@/records/cross/queries";
import { lotById } from "@/records/lot/queries";
import { type StandRow, standById } from "@/records/stand/queries";
import { isMeasured } from "@/records/yardstick/rules";
import type { Yardstick } from "@/records/yardstick/yardstick";
import { wordOf } from "./shown";

/** What a family says of how its words are inherited. */
export type InheritanceView = {
  /** How its seed was made; null where no ratio can be asked of it. */
  making: Making | null;
  traits: { id: Id; name: string; classes: { word: string; count: number }[]; ratios: Ratios }[];
};

/** Fewer plants say nothing of a ratio. */
const FEWEST = 8;

/** Whether one parent is an F1 of a cross that the other, or its line, was a parent of. */
const isBackcross = (one: StandRow, other: StandRow): boolean =>
  one.generation === 1 && [one.motherLineId, one.fatherLineId].includes(other.lineId);

/** How a stand's seed was made, where the usual ratios follow from it: selfed since a cross, or crossed back. */
export function makingOf(db: Db, { lotId, generation, species }: StandRow): Making | null {
  const lot = lotId ? lotById(db, lotId) : undefined;
  if (!lot || lot.doubt) return null;
  const selfs = lot.kind === "self" || (lot.kind === "open" && speciesById(species).breeding === "selfing");
  if (selfs) return generation !== null && generation >= 2 ? { kind: "selfed", times: generation - 1 } : null;
  const cross = lot.crossId ? crossById(db, lot.crossId) : undefined;
  if (!cross || lot.kind !== "cross") return null;
  const [mother, father] = [standById(db, cross.motherStandId), standById(db, cross.fatherStandId)];
  if (!mother || !father) return null;
  return isBackcross(mother, father) || isBackcross(father, mother) ? { kind: "backcross" } : null;
}

/** By which of the usual ratios each yardstick of words may be inherited. */
export function inheritanceOf(
  db: Db,
  stand: StandRow,
  marks: Yardstick[],
  values: Record<Id, ScoreValue>[],
): InheritanceView {
  const making = makingOf(db, stand);
  if (!making) return { making, traits: [] };
  const traits = marks.flatMap((mark) => {
    if (isMeasured(mark.kind)) return [];
    const words = values.flatMap((own) => (own[mark.id] ? [wordOf(own[mark.id]!)] : []));
    const classes = [...groupBy(words, (word) => word)].map(([word, of]) => ({ word, count: of.length }));
    if (words.length < FEWEST || classes.length < 2) return [];
    classes.sort((a, b) => b.count - a.count);
    const { id, name } = mark;
    return [
      {
        id,
        name,
        classes,
        ratios: ratiosOf(
          classes.map(({ count }) => count),
          making,
        ),
      },
    ];
  });
  return { making, traits };
}
