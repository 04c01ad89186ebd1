import { speciesById } from "@/catalogue/catalogue";
import { type Caution, cautionsAt } from "@/catalogue/hazards";
import type { Id } from "@/core/custody/id";
import type { Range } from "@/core/flowering/facts";
import { counted } from "@/core/lists/counted";
import { typicalOf } from "@/core/purity/typical";
import { type Summary, summarise } from "@/core/selection/ranking";
import { isMeasured } from "@/core/traits/kinds";
import type { Units } from "@/core/units/units";
import type { Line } from "@/records/line/line";
import { linePedigree } from "@/records/line/pedigree";
import { backcrossesOf, lineByCode, namedAlike } from "@/records/line/queries";
import { offkindsOf } from "@/records/offkind/queries";
import type { Photo } from "@/records/photo/photo";
import { photosOfStands } from "@/records/photo/queries";
import { numbersOfPlants } from "@/records/plant/queries";
import type { Yardstick } from "@/records/yardstick/yardstick";
import type { Band } from "./band";
import { standingOf } from "./lines";
import type { Outlook } from "./outlook";
import { type ShownPlant, shownBy, wordOf } from "./shown";
import type { TruenessView } from "./trueness";

/** One yardstick as it describes the line. */
export type Described = Pick<Yardstick, "name" | "unit" | "kind" | "lowEnd" | "highEnd"> & {
  /** Of what is measured: over all plants of its last two seasons, lowest and highest with it. */
  summary: Summary | null;
  /** Of words: what was seen and how often, the most frequent first. */
  words: { word: string; count: number }[];
};

/** What stands on a variety's sheet: as the page shows it, and as the file has it. */
export type Release = {
  line: Pick<
    Line,
    "id" | "version" | "code" | "name" | "description" | "origin" | "year" | "releasedOn" | "endedOn" | "school"
  >;
  species: { name: string; binomial: string };
  pedigree: string;
  /** Seasons it was grown in, its generations as counted, plants in all, and how many gave seed last. */
  grown: { seasons: number[]; generations: number[]; backcrosses: number; plants: number; parents: number | null };
  marks: Described[];
  typical: { code: string; number: number; photo: Pick<Photo, "id" | "words" | "takenOn"> | null } | null;
  trueness: Pick<TruenessView, "as" | "says" | "tests" | "holding" | "wants">;
  upkeep: {
    /** Plants that keep it going, and well. */
    plants: { going: Range; well: Range };
    /** Metres, by the garden's care, for its kind of pollen. */
    isolation: Range;
    vector: string;
    offTypes: { name: string; look: string }[];
    /** Years after which its seed is grown anew. */
    regrow: number;
  };
  hazards: Caution[];
  /** Own lines whose name would be taken for its name. */
  alike: { code: string; name: string }[];
};

const SEASONS = 2;

/** Plants of a line itself in its last two seasons that were looked at. */
function lastPlants(shown: Iterable<ShownPlant>, lineId: Id): ShownPlant[] {
  const own = [...shown].filter(({ row }) => row.lineId === lineId && row.checkOfId === null);
  const seasons = [...new Set(own.map(({ row }) => row.season))].sort((a, b) => b - a).slice(0, SEASONS);
  return own.filter(({ row }) => seasons.includes(row.season));
}

function described(mark: Yardstick, plants: ShownPlant[]): Described | null {
  const { name, unit, kind, lowEnd, highEnd } = mark;
  const values = plants.flatMap(({ values: own }) => own[mark.id] ?? []);
  if (values.length === 0) return null;
  const words = isMeasured(mark) ? [] : counted(values.map(wordOf));
  const summary = isMeasured(mark) ? summarise(values.flatMap(({ number }) => number ?? [])) : null;
  return { name, unit, kind, lowEnd, highEnd, summary, words };
}

/** The plant that is most like all of the newest season's, with a picture of it where there is one. */
function typicalPlant({ db }: Outlook, marks: Yardstick[], plants: ShownPlant[]): Release["typical"] {
  const newest = Math.max(...plants.map(({ row }) => row.season));
  const measured = new Set(marks.filter(isMeasured).map(({ id }) => id));
  const last = plants.filter(({ row }) => row.season === newest);
  const id = typicalOf(
    last.map(({ row, values }) => ({
      id: row.plantId,
      figures: Object.fromEntries(
        Object.entries(values).flatMap(([mark, { number }]) =>
          measured.has(mark) && number !== null ? [[mark, number]] : [],
        ),
      ),
      words: Object.fromEntries(
        Object.entries(values).flatMap(([mark, value]) => (measured.has(mark) ? [] : [[mark, wordOf(value)]])),
      ),
    })),
  );
  const found = id && numbersOfPlants(db, [id]).get(id);
  if (!found) return null;
  const photo = photosOfStands(db, [found.standId]).findLast(({ plantId }) => plantId === id) ?? null;
  return {
    code: found.code,
    number: found.number,
    photo: photo && { id: photo.id, words: photo.words, takenOn: photo.takenOn },
  };
}

/** A line's sheet: what it is, how it came about, what shows that it comes true, and how it is kept. */
export function releaseView(sky: Outlook, code: string): (Release & { band: Band; units: Units }) | null {
  const { db, garden } = sky;
  const whole = lineByCode(db, code);
  if (!whole) return null;
  const { band, marks: own, looks, rungs, trueness } = standingOf(sky, whole);
  const { id, version, name, description, origin, year, releasedOn, endedOn, school } = whole;
  const line = { id, version, code: whole.code, name, description, origin, year, releasedOn, endedOn, school };
  const species = speciesById(whole.species);
  const marks = own.filter(({ retiredOn }) => retiredOn === null);
  const plants = lastPlants(shownBy(looks, marks).values(), line.id);
  const parents = trueness.tests.find((test) => test.key === "parents");
  return {
    band,
    units: garden.units,
    line,
    species: { name: species.name, binomial: species.binomial },
    pedigree: linePedigree(db)(line.id),
    grown: {
      seasons: [...new Set(rungs.flatMap(({ seasons }) => seasons.split(",").map(Number)))].sort(),
      generations: rungs.flatMap(({ generation }) => generation ?? []),
      backcrosses: backcrossesOf(db, line.id),
      plants: rungs.reduce((sum, { grown }) => sum + grown, 0),
      parents: parents?.key === "parents" ? (parents.seasons[0]?.plants ?? null) : null,
    },
    marks: marks.flatMap((mark) => described(mark, plants) ?? []),
    typical: plants.length > 0 ? typicalPlant(sky, marks, plants) : null,
    trueness: {
      as: trueness.as,
      says: trueness.says,
      tests: trueness.tests,
      holding: trueness.holding,
      wants: trueness.wants,
    },
    upkeep: {
      plants: { going: species.plants["keep going"], well: species.plants["keep well"] },
      isolation: species.isolation[garden.care],
      vector: species.vector,
      offTypes: offkindsOf(db, line.id).map(({ name, look }) => ({ name, look })),
      regrow: Math.max(1, Math.floor(species.shelfYears.low)),
    },
    hazards: cautionsAt(species.hazards, "touch", "fruit", "keep", "eat"),
    alike: namedAlike(db, id, whole.species, name),
  };
}
