import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { seeded } from "@/core/numbers/chance";
import { type Individual, sampledPedigree } from "@/core/pedigree/pedigree";
import { placeOf, plantsInRow } from "@/core/selection/bench";
import type { SeenOf } from "@/core/selection/breedingValues";
import { type FamilyPair, type Heritability, heritabilityFrom } from "@/core/selection/heritability";
import { adjustedForPlace, type PlaceModel } from "@/core/selection/place";
import { failsAim } from "@/core/selection/ranking";
import { type Choice, type Trait, type TraitWorth, type Worth, worthOf } from "@/core/selection/worth";
import { repeatability, type ScoreValue, valueOfLooks, withRatios } from "@/core/selection/yardsticks";
import { type Db, theDb } from "@/db/open";
import { forebears, individualOf } from "@/records/line/pedigree";
import { type LookRow, looksOnYardsticks, yardsticks } from "@/records/line/queries";
import type { Plant } from "@/records/plant/plant";
import { plantedRows, plantsOfStands } from "@/records/plant/queries";
import { ref, type Told, whole, yesNo } from "@/records/record";
import { type StandRow, sistersOf, standById } from "@/records/stand/queries";
import { isMeasured } from "@/records/yardstick/rules";
import type { Yardstick } from "@/records/yardstick/yardstick";

/** Which family, and how many of its plants are to be kept. */
export const WORTH = {
  standId: ref("stand", "Family"),
  best: whole("How many", 1, 2000),
  open: yesNo("Open pollen"),
  across: yesNo("With its sister families"),
};
export type WorthAsked = Told<typeof WORTH>;

/** What was reckoned of one yardstick. */
export type WorthOfYardstick = {
  id: Id;
  /** Plants of the family that were looked at, and of its kin. */
  seen: number;
  kin: number;
  place: { model: PlaceModel; explained: number };
  heritability: Omit<Heritability, "grid">;
};
export type PlantWorth = Omit<Worth, "traits"> &
  Pick<Plant, "id" | "number" | "mark"> & { code: string; traits: Record<Id, TraitWorth> };
export type FamilyWorth = {
  best: number;
  yardsticks: WorthOfYardstick[];
  /** Best first; those that a floor or ceiling puts out are left out, and counted. */
  plants: PlantWorth[];
  out: number;
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
/** What is taken to be inherited of what an F2's sibs differ by, where nobody says: ranges. Working values. */
const GUESS: Record<Yardstick["kind"], { low: number; high: number }> = {
  date: { low: 0.2, high: 0.7 },
  number: { low: 0.15, high: 0.6 },
  count: { low: 0.1, high: 0.5 },
  ratio: { low: 0.1, high: 0.5 },
  scale: { low: 0.1, high: 0.6 },
  category: { low: 0.3, high: 0.9 },
  "yes-no": { low: 0.3, high: 0.9 },
};
/** A grower's guess is good to so much either way. Working value. */
const EITHER_WAY = 0.2;

/** What is taken to be inherited of a yardstick, of what an F2's sibs differ by, as a range. */
export const guessOf = ({ kind, inherited }: Yardstick) =>
  inherited === null
    ? GUESS[kind]
    : { low: Math.max(0.01, inherited - EITHER_WAY), high: Math.min(0.97, inherited + EITHER_WAY) };

/** A plant of a stand with its figure on one yardstick: measured, or 1 for what is wanted and 0 for anything else. */
type Figure = { plantId: Id; standId: Id; plantNumber: number; environment: string; value: number };

function figuresOf(looks: LookRow[], mark: Yardstick, marks: Yardstick[]): Figure[] {
  const plants = groupBy(looks, ({ plantId }) => plantId);
  return [...plants.values()].flatMap((own) => {
    const values: Record<Id, ScoreValue> = {};
    for (const [id, of] of groupBy(own, ({ yardstickId }) => yardstickId)) {
      const by = marks.find((m) => m.id === id);
      if (by) values[id] = valueOfLooks(of, by.often, isMeasured(by.kind));
    }
    const value = withRatios(values, [mark])[mark.id];
    if (!value) return [];
    const { plantId, standId, plantNumber, season, bedId } = own[0]!;
    const number = mark.kind === "category" ? Number(value.word === mark.targetWord) : value.number!;
    return [{ plantId, standId, plantNumber, environment: `${season} ${bedId ?? standId}`, value: number }];
  });
}

/** Figures as they would be in the middle of their stand, stand by stand; and the model of the stand asked for. */
function inPlace(figures: Figure[], perRow: (standId: Id) => number, asked: Id) {
  let place: WorthOfYardstick["place"] = { model: "none", explained: 0 };
  const adjusted = [...groupBy(figures, ({ standId }) => standId)].flatMap(([standId, own]) => {
    const { model, explained, values } = adjustedForPlace(
      own.map(({ plantNumber, value }) => ({ ...placeOf(plantNumber, perRow(standId)), value })),
    );
    if (standId === asked) place = { model, explained };
    return own.map((figure, i) => ({ ...figure, value: values[i]! }));
  });
  return { place, adjusted };
}

const meanOf = (values: number[]): number => values.reduce((a, b) => a + b, 0) / values.length;

/** Standard deviation within stands. */
function spreadWithin(figures: Figure[]): number {
  let [sum, freedom] = [0, 0];
  for (const own of groupBy(figures, ({ standId }) => standId).values()) {
    const middle = meanOf(own.map(({ value }) => value));
    sum += own.reduce((s, { value }) => s + (value - middle) ** 2, 0);
    freedom += own.length - 1;
  }
  return freedom > 0 ? Math.sqrt(sum / freedom) : 0;
}

type Parents = { mother?: string | null; father?: string | null };

/** Families beside their parents, where both were seen in company: a family alone in its bed tells nothing against others. */
function pairsOf(figures: Figure[], parentsOf: (figure: Figure) => Parents): FamilyPair[] {
  const environments = groupBy(figures, ({ environment }) => environment);
  const company = new Map(
    [...environments].map(([name, own]) => [
      name,
      {
        mean: meanOf(own.map(({ value }) => value)),
        families: new Set(own.map(({ standId }) => standId)).size,
        plants: own.length,
      },
    ]),
  );
  const byIndividual = new Map(
    figures.map((figure) => [individualOf({ standId: figure.standId, plantId: figure.plantId }), figure]),
  );
  const apart = ({ value, environment }: Figure) => value - company.get(environment)!.mean;
  return [...groupBy(figures, ({ standId }) => standId).values()].flatMap((own): FamilyPair[] => {
    const { environment } = own[0]!;
    if (company.get(environment)!.families < 2) return [];
    const { mother, father } = parentsOf(own[0]!);
    const [m, f] = [mother, father].map((id) => (id ? byIndividual.get(id) : undefined));
    if (!m || company.get(m.environment)!.plants < 5) return [];
    const offspring = meanOf(own.map(apart));
    if (f) return [{ parents: (apart(m) + apart(f)) / 2, offspring, seen: own.length, passed: 1 }];
    return [{ parents: apart(m), offspring, seen: own.length, passed: 0.5 }];
  });
}

/** What is known of a family and its kin, gathered once. */
type Known = {
  standId: Id;
  /** The stands whose plants are chosen from. */
  standIds: ReadonlySet<Id>;
  looks: LookRow[];
  marks: Yardstick[];
  tree: Individual[];
  /** Where a plant stands in the tree. */
  at: (plant: { standId: Id; plantId: Id }) => number;
  perRow: (standId: Id) => number;
};

function known(db: Db, { id: standId }: StandRow, marks: Yardstick[], looks: LookRow[], standing: Plant[]): Known {
  const plants = new Map(
    [...looks, ...standing.map(({ id: plantId, standId: of }) => ({ standId: of, plantId }))].map(
      ({ standId: of, plantId }) => [plantId, { standId: of, plantId }],
    ),
  );
  const tree = plants.size > 0 ? forebears(db, [...plants.values()]) : [];
  const places = new Map(tree.map(({ id }, i) => [id, i]));
  const rows = new Map(plantedRows(db).map((own) => [own.standId, plantsInRow(own.numbered, own.rowCount)]));
  return {
    standId,
    standIds: new Set(standing.map((plant) => plant.standId)),
    looks,
    marks,
    tree,
    at: (plant) => places.get(individualOf(plant))!,
    perRow: (of) => rows.get(of)!,
  };
}

/** One yardstick as the reckoning takes it, and what is told of it; null where too little was seen, or nothing differs. */
function traitOf(mark: Yardstick, of: Known): { trait: Trait; told: WorthOfYardstick } | null {
  const parts = mark.kind === "ratio" ? [mark.ofId, mark.byId] : [mark.id];
  const own = of.looks.filter(({ yardstickId }) => parts.includes(yardstickId));
  const { place, adjusted } = inPlace(figuresOf(own, mark, of.marks), of.perRow, of.standId);
  const spread = spreadWithin(adjusted);
  const here = adjusted.filter(({ standId }) => of.standIds.has(standId));
  if (here.length < 2 || spread === 0) return null;
  const heritability = heritabilityFrom(
    guessOf(mark),
    pairsOf(adjusted, (figure) => of.tree[of.at(figure)]!),
    mark.often === "once" && isMeasured(mark.kind) ? repeatability(looksByPlant(own)) : null,
  );
  const environments = [...new Set(adjusted.map(({ environment }) => environment))];
  const placed = new Map(environments.map((name, i) => [name, i]));
  const { grid: _, ...range } = heritability;
  return {
    told: { id: mark.id, seen: here.length, kin: adjusted.length - here.length, place, heritability: range },
    trait: {
      aim: mark.kind === "category" ? { ...mark, wanted: "high" } : mark,
      seen: adjusted.map(
        (figure): SeenOf => ({
          individual: of.at(figure),
          environment: placed.get(figure.environment)!,
          value: figure.value,
          weight: 1,
        }),
      ),
      environments: environments.length,
      reference: [...new Set(here.map(({ environment }) => placed.get(environment)!))],
      heritability,
      spread,
    },
  };
}

/** Whether anything that was seen of a plant puts it out by itself. */
function failing(looks: LookRow[], marks: Yardstick[]): (plantId: Id) => boolean {
  const byPlant = groupBy(looks, ({ plantId }) => plantId);
  return (plantId) => {
    const own = groupBy(byPlant.get(plantId) ?? [], ({ yardstickId }) => yardstickId);
    return marks.some((mark) => {
      const seen = own.get(mark.id);
      return seen !== undefined && failsAim(mark, valueOfLooks(seen, mark.often, isMeasured(mark.kind)));
    });
  };
}

/** Who is really better: the family's plants as parents, by the aim, with all that is known of their kin. */
export function* familyWorth(db: Db, { standId, best, open, across }: WorthAsked): Generator<unknown, FamilyWorth> {
  const stand = standById(db, standId);
  if (!stand) return { best, yardsticks: [], plants: [], out: 0, alike: false, choice: NO_CHOICE };
  const families = across ? [stand, ...sistersOf(db, stand)] : [stand];
  const codes = new Map(families.map(({ id, code }) => [id, code]));
  const standing = plantsOfStands(db, [...codes.keys()]).filter(({ removedOn }) => removedOn === null);
  const marks = yardsticks(db, stand.lineId).filter(({ retiredOn }) => retiredOn === null);
  const looks = looksOnYardsticks(db, marks[0]?.lineId ?? stand.lineId);
  const fails = failing(looks, marks);
  const candidates = standing.filter(({ id }) => !fails(id));
  const out = standing.length - candidates.length;
  const of = known(db, stand, marks, looks, standing);
  const traits = marks
    .filter(({ weight, wanted }) => weight > 0 && wanted !== "none")
    .flatMap((mark) => traitOf(mark, of) ?? []);
  const told = traits.map((one) => one.told);
  if (traits.length === 0 || candidates.length === 0)
    return { best, yardsticks: told, plants: [], out, alike: false, choice: NO_CHOICE };
  const pedigree = sampledPedigree(of.tree);
  const places = candidates.map(({ id: plantId, standId: own }) => of.at({ standId: own, plantId }));
  const { worths, choice } = yield* worthOf({
    pedigree,
    candidates: places,
    traits: traits.map(({ trait }) => trait),
    best,
    draws: Math.max(FEWEST, Math.min(DRAWS, Math.round(STEPS_OF_DRAWS / of.tree.length))),
    random: seeded(standing.length),
    parentalControl: open ? 0.5 : 1,
  });
  const plants = worths.map((worth, i): PlantWorth => {
    const { id, number, mark, standId: own } = candidates[i]!;
    return { ...worth, id, number, mark, code: codes.get(own)! };
  });
  return {
    best,
    yardsticks: told,
    plants: plants.sort((a, b) => b.index - a.index),
    out,
    choice,
    alike: places.length > 1 && places.every((place) => pedigree.sampled[place]! < PURE),
  };
}

const looksByPlant = (looks: LookRow[]): number[][] =>
  [...groupBy(looks, ({ plantId }) => plantId).values()].map((own) => own.flatMap(({ number }) => number ?? []));

export function* worthJob(asked: WorthAsked): Generator<unknown, FamilyWorth> {
  return yield* familyWorth(theDb(), asked);
}
