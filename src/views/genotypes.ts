import { speciesById } from "@/catalogue/catalogue";
import { isSelfed } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { genotypesOf, type SeenClass } from "@/core/inheritance/genotypes";
import { progenyNeeded, SURELY_PURE } from "@/core/inheritance/progeny";
import { classesOf, type WayKey, wayOf } from "@/core/inheritance/ways";
import { groupBy } from "@/core/lists/groupBy";
import { singles } from "@/core/pedigree/singles";
import type { ScoreValue } from "@/core/traits/trait";
import { categoryWanted } from "@/core/traits/trait";
import { type Db, theDb } from "@/db/open";
import { individualOf } from "@/records/line/pedigree";
import { looksOnYardsticks } from "@/records/line/queries";
import { locusOfYardstick } from "@/records/locus/queries";
import { numbersOfPlants, plantsOfStand } from "@/records/plant/queries";
import { ref, type Told } from "@/records/record";
import { type SeedsOfPlant, seedsOfPlants } from "@/records/seedlook/queries";
import { standById } from "@/records/stand/queries";
import { yardstickById } from "@/records/yardstick/queries";
import { kinOf } from "./kin";
import { wordOf } from "./shown";

/** A family, and the yardstick whose gene is asked for. */
export const GENOTYPES = { standId: ref("stand", "Family"), yardstickId: ref("yardstick", "Yardstick") };

export type PlantGenotype = {
  id: Id;
  number: number;
  /** What it was seen to show; null where nobody looked. */
  shows: string | null;
  /** Chances of AA, Aa and aa, locus by locus. */
  loci: [number, number, number][];
  /** Chance that it, and all that is selfed from it, shows the wanted word; of each word where none is wanted, the likeliest. */
  pure: number;
  /** Offspring to look at, all of the wanted word, until that is nineteen times in twenty sure; null where it needs none, or none would do. */
  progeny: number | null;
};

export type GenotypesView =
  | {
      kind: "known";
      way: WayKey;
      wanted: string;
      words: string[];
      plants: PlantGenotype[];
      /** Looks at plants, and seeds that were counted. */
      seen: number;
      seeds: number;
    }
  | {
      kind: "contradiction";
      plants: { code: string; number: number; shows: string }[];
      /** Lots whose seeds say otherwise. */
      lots: { code: string; shows: string }[];
    }
  | { kind: "unknown" };

/** A founder is as likely to carry the one as the other: what kin show decides. Working value. */
const FREQUENCY = 0.5;

/** Counted seeds of one plant, as they tell of her and of a father that is known. */
function earOf(list: SeedsOfPlant[], words: string[]) {
  const [{ lotId, code, kind, species, motherStandId, motherPlantId, ...father }] = list as [SeedsOfPlant];
  const mother = { plantId: motherPlantId, standId: motherStandId };
  const selfed = isSelfed(kind, speciesById(species).breeding);
  const { fatherPlantId: plantId, fatherStandId: standId } = father;
  const known = selfed ? mother : plantId && standId ? { plantId, standId } : null;
  return {
    code,
    shows: list.map(({ word, seeds }) => `${seeds} ${word}`).join(", "),
    parents: known ? [mother, known] : [mother],
    offspring: {
      id: `lot ${lotId}`,
      mother: individualOf(mother),
      father: known && individualOf(known),
      counts: words.map((word) => list.find((one) => one.word === word)?.seeds ?? 0),
    },
  };
}

/** What each plant of a family is likely to carry, from all that was seen of it and its kin. */
export function genotypesView(db: Db, { standId, yardstickId }: Told<typeof GENOTYPES>): GenotypesView {
  const [mark, locus, stand] = [
    yardstickById(db, yardstickId),
    locusOfYardstick(db, yardstickId),
    standById(db, standId),
  ];
  if (!mark || !locus || !stand) return { kind: "unknown" };
  const words = JSON.parse(locus.words) as string[];
  const way = wayOf(locus.way);
  const looks = looksOnYardsticks(db, mark.lineId).filter(
    (look) => look.yardstickId === yardstickId && !look.checkOfId,
  );
  const standing = plantsOfStand(db, standId).filter(
    ({ removedOn, checkOfId }) => removedOn === null && checkOfId === null,
  );
  const ears = [...groupBy(seedsOfPlants(db, yardstickId), ({ lotId }) => lotId).values()].map((of) =>
    earOf(of, words),
  );
  const plants = new Map([
    ...ears.flatMap(({ parents }) => parents.map((one) => [one.plantId, one.standId] as const)),
    ...looks.map((look) => [look.plantId, look.standId] as const),
    ...standing.map((plant) => [plant.id, standId] as const),
  ]);
  const { tree } = kinOf(
    db,
    [...plants].map(([plantId, of]) => ({ plantId, standId: of })),
    // What a plant carries is asked of plants, not of the mean of many.
    "left",
  );
  const single = singles(tree);
  const nameOf = (plantId: Id) => individualOf({ plantId, standId: plants.get(plantId)! });
  const seen = looks.flatMap((look): (SeenClass & { plantId: Id })[] => {
    const shows = words.indexOf(wordOf(look as ScoreValue));
    return shows < 0 ? [] : [{ id: nameOf(look.plantId), shows, plantId: look.plantId }];
  });
  const { recombination, error } = locus;
  const found = genotypesOf(
    single,
    { way, classes: classesOf(way), recombination, error, frequency: FREQUENCY },
    seen,
    ears.map(({ offspring }) => offspring),
  );
  if (!(found instanceof Map)) {
    const against = seen.filter(({ id }) => found.contradicts.includes(id));
    const numbers = numbersOfPlants(
      db,
      against.map(({ plantId }) => plantId),
    );
    const said = against.map(({ plantId, shows }) => {
      const { number, code } = numbers.get(plantId)!;
      return { code, number, shows: words[shows]! };
    });
    const lots = ears.filter(({ offspring }) => found.contradicts.includes(offspring.id));
    return { kind: "contradiction", plants: said, lots: lots.map(({ code, shows }) => ({ code, shows })) };
  }
  const wanted = categoryWanted(mark);
  const at = Math.max(0, words.indexOf(wanted ?? words[0]!));
  const shown = new Map(seen.map(({ plantId, shows }) => [plantId, words[shows]!]));
  return {
    kind: "known",
    way: locus.way,
    wanted: words[at]!,
    words,
    seen: seen.length,
    seeds: ears.reduce((sum, { offspring }) => sum + offspring.counts.reduce((a, b) => a + b), 0),
    plants: standing
      .map(({ id, number }) => {
        const { loci, trueFor } = found.get(nameOf(id))!;
        const pure = trueFor[at]!;
        return {
          id,
          number,
          shows: shown.get(id) ?? null,
          loci,
          pure,
          progeny: progenyOf(locus.way, at, pure, loci[0]!),
        };
      })
      .sort((a, b) => b.pure - a.pure || a.number - b.number),
  };
}

/** Only where one word hides the other does a count of offspring tell the pure from the carrier. */
function progenyOf(way: WayKey, wanted: number, pure: number, [, mixed]: [number, number, number]): number | null {
  if (way !== "dominant" || wanted !== 0 || pure >= SURELY_PURE || pure + mixed === 0) return null;
  const carries = mixed / (pure + mixed);
  return carries < 1 ? progenyNeeded({ priorHeterozygous: carries, sure: SURELY_PURE, kind: "selfed" }) : null;
}

// biome-ignore lint/correctness/useYield: done before anyone could stop it
export function* genotypesJob(asked: Told<typeof GENOTYPES>): Generator<unknown, GenotypesView> {
  return genotypesView(theDb(), asked);
}
