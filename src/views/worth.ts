import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { seeded } from "@/core/numbers/chance";
import { type Individual, sampledPedigree } from "@/core/pedigree/pedigree";
import { plantsInRow } from "@/core/selection/bench";
import type { SeenOf } from "@/core/selection/breedingValues";
import { type Heritability, heritabilityFrom } from "@/core/selection/heritability";
import { counts, failsAim } from "@/core/selection/ranking";
import { repeatability } from "@/core/selection/repeatability";
import { type Choice, type Trait, type TraitWorth, type Worth, worthOf } from "@/core/selection/worth";
import { type Db, theDb } from "@/db/open";
import { type LookRow, looksOnYardsticks, yardsticks } from "@/records/line/queries";
import type { Plant } from "@/records/plant/plant";
import { plantedRows, plantsOfStands } from "@/records/plant/queries";
import { ref, type Told, whole, yesNo } from "@/records/record";
import { type StandRow, sistersOf, standById } from "@/records/stand/queries";
import { isMeasured } from "@/records/yardstick/rules";
import type { Yardstick } from "@/records/yardstick/yardstick";
import { type FoundAge, type FoundPlace, figuresOf, inAge, inPlace, pairsOf, spreadWithin } from "./figures";
import { kinOf } from "./kin";
import { aimOfFigures, type ShownPlant, shownBy } from "./shown";

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
  age: FoundAge;
  place: FoundPlace;
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
export const guessOf = ({ kind, inherited }: Pick<Yardstick, "kind" | "inherited">) =>
  inherited === null
    ? GUESS[kind]
    : { low: Math.max(0.01, inherited - EITHER_WAY), high: Math.min(0.97, inherited + EITHER_WAY) };

/** What is known of a family and its kin, gathered once. */
type Known = {
  standId: Id;
  /** The stands whose plants are chosen from. */
  standIds: ReadonlySet<Id>;
  looks: LookRow[];
  shown: ReadonlyMap<Id, ShownPlant>;
  tree: Individual[];
  /** Where a plant stands in the tree. */
  at: (plant: { standId: Id; plantId: Id }) => number;
  perRow: (standId: Id) => number;
};

function known(db: Db, { id: standId }: StandRow, looks: LookRow[], shown: Known["shown"], standing: Plant[]): Known {
  const plants = new Map(
    [...looks, ...standing.map(({ id: plantId, standId: of }) => ({ standId: of, plantId }))].map(
      ({ standId: of, plantId }) => [plantId, { standId: of, plantId }],
    ),
  );
  const rows = new Map(plantedRows(db).map((own) => [own.standId, plantsInRow(own.numbered, own.rowCount)]));
  return {
    standId,
    standIds: new Set(standing.map((plant) => plant.standId)),
    looks,
    shown,
    ...kinOf(db, [...plants.values()]),
    perRow: (of) => rows.get(of)!,
  };
}

/** One yardstick as the reckoning takes it, and what is told of it; null where too little was seen, or nothing differs. */
function traitOf(mark: Yardstick, of: Known): { trait: Trait; told: WorthOfYardstick } | null {
  const { age, adjusted: aged } = inAge(figuresOf([...of.shown.values()], mark), mark, of.standId);
  const { place, adjusted } = inPlace(aged, of.perRow, of.standId);
  const spread = spreadWithin(adjusted);
  const here = adjusted.filter(({ standId }) => of.standIds.has(standId));
  if (here.length < 2 || spread === 0) return null;
  const heritability = heritabilityFrom(
    guessOf(mark),
    pairsOf(adjusted, (figure) => of.tree[of.at(figure)]!),
    mark.often === "once" && isMeasured(mark.kind) ? repeatability(looksByPlant(of.looks, mark)) : null,
  );
  const environments = [...new Set(adjusted.map(({ environment }) => environment))];
  const placed = new Map(environments.map((name, i) => [name, i]));
  const { grid: _, ...range } = heritability;
  return {
    told: { id: mark.id, seen: here.length, kin: adjusted.length - here.length, age, place, heritability: range },
    trait: {
      aim: aimOfFigures(mark),
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

/** Who is really better: the family's plants as parents, by the aim, with all that is known of their kin. */
export function* familyWorth(db: Db, { standId, best, open, across }: WorthAsked): Generator<unknown, FamilyWorth> {
  const stand = standById(db, standId);
  if (!stand) return { best, yardsticks: [], plants: [], out: 0, alike: false, choice: NO_CHOICE };
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
  const traits = marks.filter(counts).flatMap((mark) => traitOf(mark, of) ?? []);
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

const looksByPlant = (looks: LookRow[], { id }: Yardstick): number[][] =>
  [
    ...groupBy(
      looks.filter(({ yardstickId }) => yardstickId === id),
      ({ plantId }) => plantId,
    ).values(),
  ].map((own) => own.flatMap(({ number }) => number ?? []));

export function* worthJob(asked: WorthAsked): Generator<unknown, FamilyWorth> {
  return yield* familyWorth(theDb(), asked);
}
