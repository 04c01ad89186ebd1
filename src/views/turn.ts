import type { Day } from "@/core/calendar/day";
import { nameWithGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import type { Units } from "@/core/units/units";
import { keptPlants } from "@/records/plant/queries";
import type { PlannedSowing } from "@/records/stand/commands";
import { type Band, band } from "./band";
import { groundOfSeason } from "./bedsToSow";
import { longestLived } from "./drawer";
import { decidingOn } from "./linePlan";
import type { Outlook } from "./outlook";
import { type KeptSeed, keptOf } from "./turn/kept";
import {
  type Beside,
  besideOf,
  draftsOf,
  type ParentBeside,
  type PlannedInShort,
  plannedOf,
  type SowingProposed,
  sowingsOf,
  toBag,
  toPlanOf,
  type Why,
  whyOf,
} from "./turn/sowings";
import { grownFor, knownLines, type TurnState } from "./turn/standing";

export type TurnLine = {
  id: Id;
  code: string;
  name: string;
  state: TurnState;
  /** The next generation of what is crossed and fixed, a mix again, or seed that grows old. */
  why: Why;
  /** Until when its seed lives, where there is some. */
  until: Day | null;
  kept: KeptSeed | null;
  sowing: SowingProposed | null;
  /** What is planned or stands already, in short. */
  planned: PlannedInShort | null;
  /** Parents that can stand beside it and do not yet. */
  beside: ParentBeside[];
  /** What a press plans: its rows with its parents beside; those alone where it is planned; nothing where that can't be. */
  toPlan: PlannedSowing[];
  /** Plants whose flowers are to be kept by hand. */
  bags: number;
};

/** What is missing before the season, to be got or made. */
export type Lacking = {
  seed: { name: string; short: number }[];
  parents: string[];
  ground: { name: string; area: number }[];
  labels: number;
  bags: number;
};

export type Turn = {
  season: number;
  closes: Day;
  latitude: number;
  units: Units;
  band: Band;
  /** Nobody drew a bed yet: it is sown without one. */
  noBeds: boolean;
  lines: TurnLine[];
  lacking: Lacking;
};

/** The season's turn: of each line what becomes of it in the season to come, with what is proposed and what is missing. */
export const turnView = (sky: Outlook): Turn => sky.once("turn", () => worked(sky));

function worked(sky: Outlook): Turn {
  const { db, garden } = sky;
  const { season, closes } = decidingOn(sky);
  const noBeds = groundOfSeason(sky, season).beds.length === 0;
  const kept = groupBy(keptPlants(db, season - 1), ({ lineId }) => lineId);
  const all = knownLines(sky);
  const beside = besideOf(sky, all, season);
  const drafts = draftsOf(
    sky,
    all.filter(({ state }) => state === "decide"),
  );
  const sowings = sowingsOf(sky, drafts, beside, season);
  const byLine = new Map(all.map((one) => [one.line.id, one]));
  const inOrder = [...drafts.map(({ line }) => byLine.get(line.id)!), ...all.filter(({ state }) => state !== "decide")];
  const lines = inOrder.map(({ line, lots, state }): TurnLine => {
    const rows = kept.get(line.id);
    const sowing = sowings.get(line.id) ?? null;
    const planned = plannedOf(sky, line.id, season);
    const generation =
      sowing?.generation ?? grownFor(sky, line.id, season)[0]?.generation ?? lots[0]?.generation ?? null;
    const { id, code, name, backcrosses } = line;
    const besides = beside.get(id)?.able ?? [];
    return {
      id,
      code,
      name: nameWithGeneration({ lineName: name, generation, backcrosses }),
      state,
      why: whyOf(line),
      until: longestLived(lots)?.life.until.likely ?? null,
      kept: rows ? keptOf(rows) : null,
      sowing,
      planned,
      beside: besides,
      toPlan: toPlanOf(sowing, planned, besides, noBeds),
      bags: state === "planned" || sowing?.bed ? toBag(sky, line, generation) : 0,
    };
  });
  return {
    season,
    closes,
    latitude: garden.latitude,
    units: garden.units,
    band: band(sky, season, []),
    noBeds,
    lines,
    lacking: lackingOf(lines, beside),
  };
}

function lackingOf(lines: TurnLine[], beside: Map<Id, Beside>): Lacking {
  const drafts = lines.flatMap(({ name, sowing }) => (sowing ? [{ name, ...sowing }] : []));
  const planned = lines.flatMap(({ state, planned: one }) => (state === "planned" && one ? [one] : []));
  const placed = drafts.filter(({ bed }) => bed !== null);
  return {
    seed: drafts.filter(({ short }) => short > 0).map(({ name, short }) => ({ name, short })),
    parents: [...beside.values()].flatMap(({ without }) => without),
    ground: drafts.filter(({ missing }) => missing > 0).map(({ name, missing }) => ({ name, area: missing })),
    labels:
      placed.reduce((sum, { rows, numbered, plants }) => sum + rows.length + (numbered ? plants : 0), 0) +
      planned.reduce((sum, { rows, family, plants }) => sum + rows + (family ? plants : 0), 0),
    bags: lines.reduce((sum, { bags }) => sum + bags, 0),
  };
}
