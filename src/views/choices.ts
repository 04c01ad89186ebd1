import { methodsOf, SPECIES, speciesById } from "@/catalogue/catalogue";
import type { Species } from "@/catalogue/types";
import { type Day, yearsLater } from "@/core/calendar/day";
import { nameWithGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { thumbsInWords } from "@/core/inheritance/enoughPlants";
import { kindAsChoice } from "@/core/isolation/crossing";
import { kindOf } from "@/core/traits/kinds";
import { bedChoices } from "@/records/bed/queries";
import { crossedPairs, type LineChoice, lineChoices } from "@/records/line/queries";
import { mayHoldSeed } from "@/records/lot/left";
import { type LotInShort, openLots } from "@/records/lot/queries";
import { type ChosenPlant, chosenPlants } from "@/records/plant/queries";
import type { StandRow } from "@/records/stand/queries";
import { rotationWarning, stoodInBeds } from "@/records/stand/rotation";
import { stores } from "@/records/store/queries";
import { allYardsticks } from "@/records/yardstick/queries";
import { plantsToGoOn } from "./drawer";
import type { ForecastStand, Outlook } from "./outlook";
import { nextSowing } from "./regrow";

export type Way = { id: string; name: string };

/** What a form that chooses parents needs of a stand. */
export type ParentChoice = {
  id: Id;
  code: string;
  name: string;
  lineId: Id;
  species: string;
  start: string;
  end: string;
  handSet: { low: number; high: number };
  seedsPerFruit: { low: number; high: number } | null;
  /** Ways to pollinate it by hand, for another's pollen and for its own. */
  methods: { cross: Way[]; self: Way[] };
  group: string;
};

/** What a cross can be planned from: stands, their kept plants, and pairs of lines crossed before, as "mother-father". */
export type PlanChoices = { parents: ParentChoice[]; chosen: ChosenPlant[]; knownPairs: string[] };

export type StandChoice = { id: Id; label: string };

/** A stand of the season before, as it would be copied. */
export type CopyChoice = StandChoice & {
  sown: Day;
  bedName: string | null;
  plants: number | null;
  /** Its line stands in the season already. */
  there: boolean;
  /** The day on which it should have been sown is past. */
  past: boolean;
  /** Why its bed is not the best for it. */
  warning: string | null;
};

export const standChoice = (stand: StandRow): StandChoice => ({
  id: stand.id,
  label: `${nameWithGeneration(stand)} ${stand.code}`,
});

function waysOf(species: Species, anthers: ForecastStand["anthers"]): ParentChoice["methods"] {
  const ways = (self: boolean) => methodsOf(species, self, anthers).map(({ id, name }) => ({ id, name }));
  return { cross: ways(false), self: ways(true) };
}

function parentChoice(s: ForecastStand): ParentChoice {
  const species = speciesById(s.species);
  return {
    id: s.id,
    code: s.code,
    name: nameWithGeneration(s),
    lineId: s.lineId,
    species: species.name,
    start: s.window.start,
    end: s.window.end,
    handSet: species.handSet,
    seedsPerFruit: species.seedsPerFruit,
    methods: waysOf(species, s.anthers),
    group: species.crossingGroup,
  };
}

/** What is said of a line's kind before it is sown: how many plants it wants, and how it is usually raised. */
type Wanting = { enough: string; raised: Species["raise"]["how"] };
const wantingOf = (species: string): Wanting => {
  const { plants, raise } = speciesById(species);
  return { enough: thumbsInWords(plants), raised: raise.how };
};

/** Lines, with their species as it is called. */
const linesOf = ({ db }: Outlook): (LineChoice & Wanting)[] =>
  lineChoices(db).map(({ id, name, species }) => ({
    id,
    name,
    species: speciesById(species).name,
    ...wantingOf(species),
  }));

/** A form lets choose among so many of the newest lots. */
const LOTS = 400;

/** A lot as a form offers it. */
export type LotChoice = Pick<
  LotInShort,
  "id" | "code" | "lineId" | "lineName" | "species" | "generation" | "backcrosses"
>;

/** Lots of which something is left, the newest first. */
const lotsOf = ({ db }: Outlook): LotChoice[] =>
  openLots(db)
    .filter(mayHoldSeed)
    .slice(0, LOTS)
    .map(({ id, code, lineId, lineName, species, generation, backcrosses }) => ({
      id,
      code,
      lineId,
      lineName,
      species,
      generation,
      backcrosses,
    }));

/** A species with its other names, and its Latin one as a note. */
type SpeciesChoice = { value: string; label: string; names: string[]; note: string };

/** Species, and wild kin of theirs. */
const SPECIES_CHOICES: Record<"species" | "kin", SpeciesChoice[]> = {
  species: SPECIES.map(({ id, name, names, crossingGroup }) => ({
    value: id,
    label: name,
    names,
    note: crossingGroup,
  })),
  kin: SPECIES.flatMap(({ id, name: crop, wild }) =>
    wild.map(({ name }) => ({
      value: kindAsChoice({ species: id, wild: name }),
      label: name,
      names: [],
      note: `wild, crosses with ${crop.toLowerCase()}`,
    })),
  ),
};

/**
 * What forms let choose from. Long as they may be, a form asks for them when it is there, so that no page carries along
 * what is opened now and then.
 */
export const CHOICES = {
  parents: (sky: Outlook, season: number): PlanChoices => ({
    parents: sky
      .standsOf(season)
      .filter((s) => !s.outside)
      .map(parentChoice),
    chosen: chosenPlants(sky.db, season),
    knownPairs: crossedPairs(sky.db),
  }),
  lines: linesOf,
  species: () => SPECIES_CHOICES,
  /** What somebody begins with: of each species when it is sown here, and how many plants of it are usual. */
  start: (sky: Outlook) => ({
    species: SPECIES_CHOICES.species.map((one) => ({
      ...one,
      sown: nextSowing(sky, { id: null, species: one.value }),
      wanted: plantsToGoOn(one.value),
    })),
    beds: bedChoices(sky.db),
    units: sky.garden.units,
  }),
  stores: ({ db }: Outlook) => stores(db).map(({ id, name }) => ({ id, name })),
  /** Yardsticks in use in the garden, to be taken over by another line. */
  yardsticks: ({ db }: Outlook): { id: Id; name: string; lineId: Id; lineName: string }[] =>
    allYardsticks(db)
      .filter((mark) => mark.retiredOn === null && !kindOf(mark).computed)
      .map(({ id, name, lineId, lineName }) => ({ id, name, lineId, lineName })),
  sowing: (sky: Outlook) => ({ lines: linesOf(sky), lots: lotsOf(sky) }),
  /** What stood in the season before, to be planned again in this one. */
  copy: (sky: Outlook, season: number): CopyChoice[] => {
    const stood = stoodInBeds(sky.db);
    const there = new Set(sky.standsOf(season).map(({ lineId }) => lineId));
    const going = new Set(lineChoices(sky.db).map(({ id }) => id));
    return sky
      .standsOf(season - 1)
      .filter(({ outside, family, lineId }) => !outside && !family && going.has(lineId))
      .map((stand) => ({
        ...standChoice(stand),
        sown: yearsLater(stand.sown, 1),
        past: yearsLater(stand.sown, 1) < sky.today,
        bedName: stand.bedName,
        plants: stand.wanted ?? stand.plants,
        there: there.has(stand.lineId),
        warning: rotationWarning(stood, { ...stand, season }),
      }));
  },
  stands: (sky: Outlook, season: number): StandChoice[] =>
    sky
      .standsOf(season)
      .filter((s) => !s.outside)
      .map(standChoice),
};

export type ChoicesOf<K extends keyof typeof CHOICES> = ReturnType<(typeof CHOICES)[K]>;
