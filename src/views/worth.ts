import { speciesById } from "@/catalogue/catalogue";
import { goesOnSelfed } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { seeded } from "@/core/numbers/chance";
import { type Individual, sampledPedigree } from "@/core/pedigree/pedigree";
import { singles } from "@/core/pedigree/singles";
import type { Bedded } from "@/core/selection/bedModel";
import { type GeneChances, type GeneWanted, geneChances, handicaps } from "@/core/selection/genes";
import { guessOf, heritabilityFrom } from "@/core/selection/heritability";
import { counts, failsAim } from "@/core/selection/ranking";
import { type Repeatability, repeatability } from "@/core/selection/repeatability";
import { type Choice, type Found, rankedWorth, type Trait, type TraitWorth, type Worth } from "@/core/selection/worth";
import { isMeasured, kindOf } from "@/core/traits/kinds";
import { categoryWanted } from "@/core/traits/trait";
import { type Db, theDb } from "@/db/open";
import { individualOf } from "@/records/line/pedigree";
import { type LookRow, looksOnYardsticks, yardsticks } from "@/records/line/queries";
import { lociOfLine } from "@/records/locus/queries";
import type { Plant } from "@/records/plant/plant";
import { plantsOfStands } from "@/records/plant/queries";
import { ref, type Told, whole, yesNo } from "@/records/record";
import { type StandRow, sistersOf, standById } from "@/records/stand/queries";
import type { Yardstick } from "@/records/yardstick/yardstick";
import { type FoundAge, figuresOf, inAge, placesOf } from "./figures";
import { kinOf } from "./kin";
import { aimOfFigures, type ShownPlant, shownBy, wordOf } from "./shown";

/** Which family, and how many of its plants are to be kept. */
export const WORTH = {
  standId: ref("stand", "Family"),
  best: whole("How many", 1, 2000),
  open: yesNo("Open pollen"),
  across: yesNo("With its sister families"),
};
export type WorthAsked = Told<typeof WORTH>;

/** What was reckoned of one trait. */
export type WorthOfYardstick = Found & {
  id: Id;
  /** Plants of the family that were looked at, and of its kin. */
  seen: number;
  kin: number;
  age: FoundAge;
  /** How well looks repeat themselves; null where nobody looked twice. */
  repeats: Pick<Repeatability, "share" | "plants"> | null;
};
export type PlantWorth = Omit<Worth, "traits"> &
  Pick<Plant, "id" | "number" | "mark"> & {
    code: string;
    traits: Record<Id, TraitWorth>;
    /** Of each wanted category: whether it breeds true for it, or can still give it. */
    genes: Record<Id, GeneChances>;
  };
export type FamilyWorth = {
  best: number;
  yardsticks: WorthOfYardstick[];
  /** Categories that are wanted and are judged by what plants may carry. */
  genes: Id[];
  /** Best first; those that a floor or ceiling puts out are left out, and counted. */
  plants: PlantWorth[];
  out: number;
  /** Whom to keep, in their order, families held apart; and how surely they are better than as many next to them. */
  advice: { keep: Id[]; apart: number };
  /** As far as is known they are of one pure line: what they differ by is not inherited. */
  alike: boolean;
  choice: Choice;
};

const NO_CHOICE: Choice = { steps: [], frontier: [] };

/** So many draws; fewer where a pedigree is long. */
const DRAWS = 400;
const FEWEST = 60;
/** Less than this of the base's variance is no sampling worth speaking of. */
const PURE = 0.02;
const STEPS_OF_DRAWS = 400_000;
/** From this generation on what is not fixed can hardly be chosen any more. Working value: an F6. */
const LAST_TO_CHOOSE = 6;
/** What full inbreeding takes off of what crosses among itself, in standard deviations of single looks. Working value. */
const DEPRESSION = 1.5;

/** What is known of a family and its kin, gathered once. */
type Known = {
  stand: StandRow;
  selfed: boolean;
  /** The stands whose plants are chosen from. */
  standIds: ReadonlySet<Id>;
  looks: LookRow[];
  shown: ReadonlyMap<Id, ShownPlant>;
  tree: Individual[];
  records: Bedded[];
  /** A plant's record. */
  at: ReadonlyMap<Id, number>;
};

type OnePlant = { standId: Id; plantId: Id; number: number; checkOfId: Id | null };

/** Plants of a known line among a family are of it, not of the family: one line's plants alike where it selfs, half sibs else. */
function withChecks(
  tree: Individual[],
  checks: OnePlant[],
  selfs: boolean,
): { tree: Individual[]; of: (plant: OnePlant) => string } {
  const lines = [...new Set(checks.map(({ checkOfId }) => checkOfId!))];
  const lineId = (id: Id) => `known line ${id}`;
  return {
    tree: [
      ...tree,
      ...lines.map((id): Individual => ({ id: lineId(id), inbreeding: selfs ? 1 : 0 })),
      ...(selfs
        ? []
        : checks.map(({ plantId, checkOfId }) => ({ id: `check ${plantId}`, mother: lineId(checkOfId!) }))),
    ],
    of: ({ plantId, checkOfId }) => (selfs ? lineId(checkOfId!) : `check ${plantId}`),
  };
}

function known(db: Db, stand: StandRow, looks: LookRow[], shown: Known["shown"], standing: Plant[]): Known {
  const plants = new Map<Id, OnePlant>([
    ...looks.map(
      ({ standId, plantId, plantNumber, checkOfId }) =>
        [plantId, { standId, plantId, number: plantNumber, checkOfId }] as const,
    ),
    ...standing.map(
      ({ id: plantId, standId, number, checkOfId }) => [plantId, { standId, plantId, number, checkOfId }] as const,
    ),
  ]);
  const all = [...plants.values()];
  const own = all.filter(({ checkOfId }) => checkOfId === null);
  const kin = kinOf(db, own);
  const selfed = goesOnSelfed(speciesById(stand.species).breeding, stand.school);
  const { tree, of } = withChecks(
    kin.tree,
    all.filter(({ checkOfId }) => checkOfId !== null),
    selfed,
  );
  const positions = new Map(tree.map(({ id }, i) => [id, i]));
  const places = placesOf(db);
  const environments = new Map<string, number>();
  const records = all.map((plant): Bedded => {
    const { environment, row, x, y } = places(plant.standId, plant.number);
    if (!environments.has(environment)) environments.set(environment, environments.size);
    return {
      individual: plant.checkOfId === null ? kin.at(plant) : positions.get(of(plant))!,
      environment: environments.get(environment)!,
      row,
      x,
      y,
    };
  });
  return {
    stand,
    selfed,
    standIds: new Set(standing.map((plant) => plant.standId)),
    looks,
    shown,
    tree,
    records,
    at: new Map(all.map(({ plantId }, i) => [plantId, i])),
  };
}

/** One trait as the reckoning takes it, and what is told of it; null where too little was seen, or nothing differs. */
function traitOf(mark: Yardstick, of: Known): { trait: Trait; told: Omit<WorthOfYardstick, keyof Found> } | null {
  const figures = figuresOf([...of.shown.values()], mark);
  const { age, adjusted } = inAge(figures, mark, of.stand.id);
  const here = adjusted.filter(
    ({ standId, plantId }) => of.standIds.has(standId) && !of.shown.get(plantId)!.row.checkOfId,
  );
  if (here.length < 2 || new Set(here.map(({ value }) => value)).size < 2) return null;
  const looked = groupBy(
    of.looks.filter(({ yardstickId }) => yardstickId === mark.id),
    ({ plantId }) => plantId,
  );
  const numbersOf = (plantId: Id) => (looked.get(plantId) ?? []).flatMap(({ number }) => number ?? []);
  // What is added up, or a ratio of two, is one figure a plant; else each look counts, by as much as its day sets it right.
  const single = mark.often === "pass" || kindOf(mark).computed;
  const raw = new Map(figures.map(({ plantId, value }) => [plantId, value]));
  const looks = adjusted.flatMap(({ plantId, value }) => {
    const record = of.at.get(plantId)!;
    const numbers = single ? [] : numbersOf(plantId);
    if (numbers.length < 2) return [{ record, value }];
    return numbers.map((number) => ({ record, value: number + value - raw.get(plantId)! }));
  });
  const repeats = mark.often === "once" && !single ? repeatability([...looked.keys()].map(numbersOf)) : null;
  return {
    told: {
      id: mark.id,
      seen: here.length,
      kin: adjusted.length - here.length,
      age,
      repeats: repeats && { share: repeats.share, plants: repeats.plants },
    },
    trait: { aim: aimOfFigures(mark), looks, inherited: heritabilityFrom(guessOf(mark), repeats).grid },
  };
}

/** A wanted category, or yes or no, as a gene: dominant or recessive where its line's gene is described, else unknown. */
function geneOf(db: Db, mark: Yardstick, of: Known): GeneWanted | null {
  const wanted = categoryWanted(mark);
  if (!wanted) return null;
  const seen = [...of.shown].flatMap(([plantId, { values, row }]) =>
    values[mark.id] && row.checkOfId === null
      ? [{ plant: individualOf({ standId: row.standId, plantId }), wanted: wordOf(values[mark.id]!) === wanted }]
      : [],
  );
  const locus = lociOfLine(db, mark.lineId).get(mark.id);
  const [dominant] = locus?.way === "dominant" ? (JSON.parse(locus.words) as string[]) : [];
  const want = dominant === undefined ? "unknown" : dominant === wanted ? "dominant" : "recessive";
  return { id: mark.id, want, weight: mark.weight, seen };
}

/** What is told of a family of which nothing can be reckoned. */
const nothing = (best: number, out: number): FamilyWorth => ({
  best,
  yardsticks: [],
  genes: [],
  plants: [],
  out,
  advice: { keep: [], apart: 0 },
  alike: false,
  choice: NO_CHOICE,
});

/** Who is really better: the family's plants as parents, by the aim, with all that is known of their kin. */
export function* familyWorth(db: Db, { standId, best, open, across }: WorthAsked): Generator<unknown, FamilyWorth> {
  const stand = standById(db, standId);
  if (!stand) return nothing(best, 0);
  const families = across ? [stand, ...sistersOf(db, stand)] : [stand];
  const codes = new Map(families.map(({ id, code }) => [id, code]));
  const standing = plantsOfStands(db, [...codes.keys()]).filter(
    ({ removedOn, checkOfId }) => removedOn === null && checkOfId === null,
  );
  const marks = yardsticks(db, stand.lineId).filter(({ retiredOn }) => retiredOn === null);
  const looks = looksOnYardsticks(db, marks[0]?.lineId ?? stand.lineId);
  const shown = shownBy(looks, marks);
  /** Whether anything that a plant shows puts it out by itself. */
  const fails = ({ values }: ShownPlant) => marks.some((mark) => values[mark.id] && failsAim(mark, values[mark.id]!));
  const candidates = standing.filter(({ id }) => !(shown.has(id) && fails(shown.get(id)!)));
  const out = standing.length - candidates.length;
  const of = known(db, stand, looks, shown, standing);
  const wanted = marks.filter(counts);
  const traits = wanted.filter(isMeasured).flatMap((mark) => traitOf(mark, of) ?? []);
  const genes = wanted
    .filter((mark) => !isMeasured(mark))
    .flatMap((mark) => geneOf(db, mark, of) ?? [])
    .filter(({ seen }) => seen.length > 0);
  if (traits.length + genes.length === 0 || candidates.length === 0) return nothing(best, out);
  const pedigree = sampledPedigree(of.tree);
  const places = candidates.map(({ id }) => of.at.get(id)!);
  const individuals = places.map((record) => of.records[record]!.individual);
  const { selfed } = of;
  const alone = singles(of.tree);
  const names = candidates.map(({ id: plantId, standId: own }) => individualOf({ standId: own, plantId }));
  const chances = genes.map((gene) => geneChances(alone, gene, names));
  const weights = wanted.reduce((sum, { weight }) => sum + weight, 0);
  const left = stand.generation === null || stand.generation < LAST_TO_CHOOSE;
  const ahead = !selfed ? "crossed" : left ? "selfed" : "none";
  const { worths, choice, advice, found } = yield* rankedWorth({
    pedigree,
    records: of.records,
    candidates: places,
    traits: traits.map(({ trait }) => trait),
    best,
    draws: Math.max(FEWEST, Math.min(DRAWS, Math.round(STEPS_OF_DRAWS / of.records.length))),
    random: seeded(standing.length),
    parentalControl: open ? 0.5 : 1,
    selfed,
    handicap: handicaps(genes, chances, weights, ahead),
    depression: selfed ? 0 : DEPRESSION,
  });
  const plants = worths.map((worth, i): PlantWorth => {
    const { id, number, mark, standId: own } = candidates[i]!;
    return {
      ...worth,
      id,
      number,
      mark,
      code: codes.get(own)!,
      genes: Object.fromEntries(genes.map((gene, g) => [gene.id, chances[g]![i]!])),
    };
  });
  return {
    best,
    yardsticks: traits.map(({ told }, t) => ({ ...told, ...found[t]! })),
    genes: genes.map(({ id }) => id),
    plants: [...plants].sort((a, b) => b.index - a.index),
    out,
    advice: { keep: advice.keep.map((i) => plants[i]!.id), apart: advice.apart },
    choice,
    alike: individuals.length > 1 && individuals.every((i) => pedigree.sampled[i]! < PURE),
  };
}

export function* worthJob(asked: WorthAsked): Generator<unknown, FamilyWorth> {
  return yield* familyWorth(theDb(), asked);
}
