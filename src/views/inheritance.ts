import { speciesById } from "@/catalogue/catalogue";
import { isSelfed } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { progenyNeeded, SURELY_PURE } from "@/core/inheritance/progeny";
import { locusAfter, type Making, type Ratios, ratiosOf } from "@/core/inheritance/ratios";
import { counted } from "@/core/lists/counted";
import { plantsNeeded } from "@/core/numbers/plantsNeeded";
import { isMeasured } from "@/core/traits/kinds";
import type { ScoreValue } from "@/core/traits/trait";
import type { Db } from "@/db/open";
import { crossById } from "@/records/cross/queries";
import type { Locus } from "@/records/locus/locus";
import { lociOfLine } from "@/records/locus/queries";
import { type LotRow, lotById } from "@/records/lot/queries";
import { type StandRow, standById } from "@/records/stand/queries";
import { wordsOf } from "@/records/yardstick/rules";
import type { Yardstick } from "@/records/yardstick/yardstick";
import { wordOf } from "./shown";

/** Words as they were counted, and by which ratio they divide. */
export type RatiosOfWords = {
  classes: { word: string; count: number }[];
  ratios: Ratios;
  /** Of one gene where one word hides the other: what that means for choosing. */
  hidden: Hidden | null;
};

/** What a family says of how its words are inherited. */
export type InheritanceView = {
  /** How its seed was made; null where no ratio can be asked of it. */
  making: Making | null;
  traits: (RatiosOfWords & { id: Id; name: string })[];
  /** Yardsticks of words, with how the grower says that they are inherited. */
  genes: { id: Id; name: string; words: string[]; locus: Locus | null }[];
  /** What pollen shows on this year's seed of its kind: then it is the child that is seen, not the mother. */
  xenia: string | null;
  seedShows: boolean;
};

/** A word that hides another: how many of the plants that show it carry the other, and what it takes to know. */
export type Hidden = {
  shown: string;
  hidden: string;
  /** Of those that show it. */
  carriers: number;
  /** Offspring of one plant to look at, none of them showing what is hidden, until it is pure nineteen times in twenty. */
  selfed: number;
  testcrossed: number;
  /** Plants to grow for one, and for five, that show what is hidden, nineteen times in twenty. */
  one: number;
  five: number;
};

function hiddenOf(classes: RatiosOfWords["classes"], { fits, other }: Ratios, making: Making): Hidden | null {
  const [best] = fits;
  if (!best || classes.length !== 2 || best.ways[0] !== "dominant" || best.chance < other || best.chance < 0.5)
    return null;
  const shownFirst = best.ratio[0]! >= best.ratio[1]!;
  const [pure, mixed, recessive] = locusAfter(making, "recessive");
  const carriers = mixed / (pure + mixed);
  if (recessive === 0 || carriers >= 1) return null;
  const needed = (kind: "selfed" | "testcrossed") =>
    progenyNeeded({ priorHeterozygous: carriers, sure: SURELY_PURE, kind });
  const grown = (atLeast: number) => plantsNeeded({ probability: recessive, atLeast, confidence: SURELY_PURE }).plants;
  return {
    shown: classes[shownFirst ? 0 : 1]!.word,
    hidden: classes[shownFirst ? 1 : 0]!.word,
    carriers,
    selfed: needed("selfed"),
    testcrossed: needed("testcrossed"),
    one: grown(1),
    five: grown(5),
  };
}

/** Fewer plants say nothing of a ratio. */
const FEWEST = 8;

const SELFED_ONCE: Making = { kind: "selfed", times: 1 };

/** By which of the usual ratios counted words divide; null of too few, or where all are alike. */
export function ratiosOfWords(
  mark: Yardstick,
  classes: RatiosOfWords["classes"],
  making: Making,
): RatiosOfWords | null {
  if (isMeasured(mark) || classes.length < 2) return null;
  const counts = classes.map(({ count }) => count);
  if (counts.reduce((a, b) => a + b) < FEWEST) return null;
  const ratios = ratiosOf(counts, making);
  return { classes, ratios, hidden: hiddenOf(classes, ratios, making) };
}

/** Whether one parent is an F1 of a cross that the other, or its line, was a parent of. */
const isBackcross = (one: StandRow, other: StandRow): boolean =>
  one.generation === 1 && [one.motherLineId, one.fatherLineId].includes(other.lineId);

/**
 * How a lot's seed was made, where the usual ratios follow from it: selfed since a cross, or crossed back. Seed of one plant
 * that divides at all divides as that plant's, which carried both.
 */
export function makingOf(db: Db, lot: LotRow, generation: number | null, species: string): Making | null {
  if (lot.doubt) return null;
  if (isSelfed(lot.kind, speciesById(species).breeding)) {
    if (generation === null || generation < 2) return lot.kind === "self" && lot.motherPlantId ? SELFED_ONCE : null;
    return lot.motherPlantId ? SELFED_ONCE : { kind: "selfed", times: generation - 1 };
  }
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
  const lot = stand.lotId ? lotById(db, stand.lotId) : undefined;
  const making = lot ? makingOf(db, lot, stand.generation, stand.species) : null;
  const loci = lociOfLine(db, stand.lineId);
  const genes = marks
    .filter((mark) => !isMeasured(mark) && mark.retiredOn === null)
    .map((mark) => ({ id: mark.id, name: mark.name, words: wordsOf(mark), locus: loci.get(mark.id) ?? null }));
  const { xenia, seedShows } = speciesById(stand.species);
  if (!making) return { making, traits: [], genes, xenia, seedShows };
  const traits = marks.flatMap((mark) => {
    const words = values.flatMap((own) => (own[mark.id] ? [wordOf(own[mark.id]!)] : []));
    const found = ratiosOfWords(mark, counted(words), making);
    return found ? [{ id: mark.id, name: mark.name, ...found }] : [];
  });
  return { making, traits, genes, xenia, seedShows };
}
