import type { Day } from "@/core/calendar/day";
import { nameWithGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { byWords } from "@/core/lists/order";
import { numberOf } from "@/core/numbers/numberOf";
import { type Near, placeAll } from "@/core/plans/placing";
import type { Units } from "@/core/units/units";
import { seedsToSow } from "@/core/work/raise";
import { isPutOff } from "@/core/work/task";
import { linesCrossed } from "@/records/cross/queries";
import { putOffElse } from "@/records/deed/queries";
import { type LineSummary, lineDependants } from "@/records/line/queries";
import { linesOnTable } from "@/records/lot/queries";
import { type KeptPlant, keptPlants } from "@/records/plant/queries";
import type { PlannedSowing } from "@/records/stand/commands";
import { type Band, band } from "./band";
import { groundOfSeason, wantsGround } from "./bedsToSow";
import { type DrawerLot, livingOf, plantsToGoOn, sowableOf, wholeLots } from "./drawer";
import { decidingOn, isToSow, linePlan, lineStandings, linesKnown } from "./linePlan";
import { guardOf, type LotToSow, type Proposed, proposedOf } from "./nextSowing";
import type { Outlook } from "./outlook";
import { raisingFor } from "./raising";
import { stakeIn } from "./regrow";

/** Where a line stands in the turn of the season: to be decided on, decided, or with nothing to decide. */
export type TurnState =
  | "decide"
  | "planned"
  | "left"
  | "grows on"
  | "growing"
  | "table"
  | "crossing"
  | "rests"
  | "begin"
  | "lost";

/** What became of the seed of the plants that were kept: how many gave some, and the numbers of those whose seed is not there. */
export type KeptSeed = {
  code: string;
  plants: number;
  seed: number;
  /** Seed of several was gathered or put together. */
  together: boolean;
  /** None of its own yet: whether their planting still stands. */
  none: number[];
  standing: boolean;
  /** Used up, given away or lost. */
  gone: number[];
};

/** A row that is proposed: of which lot, how many seeds, for how many plants. */
export type RowToSow = Pick<LotToSow, "mother" | "motherCode" | "code" | "left"> & {
  lotId: Id;
  seeds: number;
  wanted: number;
};

/** A parent that stands beside its offspring to be compared with. */
export type ParentBeside = { lineId: Id; code: string; name: string; lotId: Id; seeds: number };

/** What is proposed for a line: its rows, day and bed. */
export type SowingProposed = {
  rows: RowToSow[];
  /** Plants that stand there, and those that the plan wants. */
  plants: number;
  meant: number;
  sown: Day;
  sownIn: Proposed["sownIn"];
  /** Each plant has a number, as it is a cross on its way. */
  numbered: boolean;
  generation: number | null;
  /** Null where no bed has room; `tired` where its family stood there too lately. */
  bed: { id: Id; name: string; near: Near | null; tired: boolean } | null;
  /** Square metres that are missing. */
  missing: number;
  /** Plants whose seed is not sown and stays in the drawer. */
  stays: Pick<LotToSow, "mother" | "motherCode" | "code">[];
  /** Seeds that are missing for as many plants as are planned. */
  short: number;
};

export type TurnLine = {
  id: Id;
  version: Id;
  code: string;
  name: string;
  state: TurnState;
  /** The next generation of what is crossed and fixed, a mix again, or seed that grows old. */
  why: "next" | "mix" | "old";
  /** Until when its seed lives, where there is some. */
  until: Day | null;
  kept: KeptSeed | null;
  sowing: SowingProposed | null;
  /** What is planned or stands already, in short. */
  planned: {
    ahead: boolean;
    bedId: Id | null;
    bed: string | null;
    family: boolean;
    rows: number;
    plants: number;
    sown: Day;
  } | null;
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

/** Plants of a parent that stand beside its offspring. Working value. */
const BESIDE = 4;

/** A line with its living seed and where it stands. */
type Known = { line: LineSummary; lots: DrawerLot[]; state: TurnState };

/** What of a line is planned for a season or stands in it. */
function grownFor(sky: Outlook, id: Id, season: number) {
  const { plan } = lineStandings(sky).get(id)!;
  return plan.grown.filter((one) => one.standing > 0 && one.season >= season);
}

function stateOf(sky: Outlook, line: LineSummary, lots: DrawerLot[], left: boolean): TurnState {
  const { season, began } = decidingOn(sky);
  const { plan, step } = lineStandings(sky).get(line.id)!;
  const there = grownFor(sky, line.id, season);
  if (there.some(({ planned }) => planned === 1)) return "planned";
  if (there.length > 0)
    return season === sky.season && there.every(({ sown }) => sown >= began) ? "planned" : "grows on";
  const mine = !plan.usual && plan.ahead[0]?.season === season && lots.length > 0;
  if (mine || isToSow(line, plan, lots, season)) return left ? "left" : "decide";
  if (sky.once("lines on table", () => linesOnTable(sky.db)).has(line.id)) return "table";
  if (step === "growing") return plan.way === "clone" ? "grows on" : "growing";
  if (sky.once("lines crossed", () => linesCrossed(sky.db, sky.season)).has(line.id)) return "crossing";
  if (lots.length > 0) return "rests";
  return step === "lost" ? "lost" : "begin";
}

const numberOfPlant = (lots: KeptPlant[]) => lots[0]!.number;

/** Kept plants of the season before, by line: what became of the seed of each. */
function keptOf(rows: KeptPlant[]): KeptSeed {
  const plants = new Map<string, KeptPlant[]>();
  for (const row of rows) {
    const key = `${row.code} ${row.number}`;
    plants.set(key, [...(plants.get(key) ?? []), row]);
  }
  const each = [...plants.values()];
  const lives = (lots: KeptPlant[]) => lots.some(({ lotId, ended }) => lotId !== null && ended === 0);
  const without = each.filter((lots) => !lives(lots) && lots.every(({ together }) => together === 0));
  return {
    code: rows[0]!.code,
    plants: each.length,
    seed: each.filter(lives).length,
    together: each.some((lots) => !lives(lots) && lots.some(({ together }) => together === 1)),
    none: without.filter((lots) => lots.every(({ lotId }) => lotId === null)).map(numberOfPlant),
    gone: without.filter((lots) => lots.some(({ lotId }) => lotId !== null)).map(numberOfPlant),
    standing: rows.some(({ standing }) => standing === 1),
  };
}

/** The rows of a proposal: as many seeds of each lot as its share of the plants wants, as far as there are. */
function rowsOf({ lots }: Proposed, plants: number): { rows: RowToSow[]; short: number } {
  const able = lots.filter(({ chosen, left }) => chosen && left !== 0);
  const wanted = Math.ceil(plants / Math.max(1, able.length));
  let short = 0;
  const rows = able.flatMap(({ id: lotId, mother, motherCode, code, left, stages }) => {
    const needed = numberOf(() => seedsToSow(wanted, stages)) ?? left ?? 0;
    const seeds = left === null ? needed : Math.min(needed, left);
    short += needed - seeds;
    return seeds > 0 ? [{ lotId, mother, motherCode, code, left, seeds, wanted }] : [];
  });
  return { rows, short };
}

/** Of what is crossed and fixed, its parents that go on. */
function parentsOf(known: Map<Id, LineSummary>, { motherLineId, fatherLineId, school }: LineSummary): LineSummary[] {
  if (school !== "cross-and-fix") return [];
  return [...new Set([motherLineId, fatherLineId])].flatMap((id) => {
    const parent = id === null ? undefined : known.get(id);
    return parent && parent.endedOn === null && parent.cloned === 0 ? [parent] : [];
  });
}

const WHY = ["next", "mix", "old"] as const;
const whyOf = ({ school }: LineSummary): TurnLine["why"] =>
  school === "cross-and-fix" ? "next" : school === "let-it-mix" ? "mix" : "old";

/** Parents beside their offspring, each once: of what of them seed is there, and those without. */
type Beside = { able: ParentBeside[]; without: string[] };

function besideOf(sky: Outlook, all: Known[], season: number): Map<Id, Beside> {
  const known = linesKnown(sky);
  const byLine = new Map(all.map((one) => [one.line.id, one]));
  // What is sown anyway stands beside it.
  const there = new Set(
    all
      .filter(({ line, state }) => state === "decide" || grownFor(sky, line.id, season).length > 0)
      .map((one) => one.line.id),
  );
  return new Map(
    all
      .filter(({ state }) => state === "decide" || state === "planned")
      .map(({ line, lots: own }) => {
        const found: Beside = { able: [], without: [] };
        // What divides is compared with its parents; an F1 does not.
        const divided = [...own, ...grownFor(sky, line.id, season)].some(({ generation }) => (generation ?? 0) >= 2);
        for (const parent of parentsOf(known, line)) {
          if (there.has(parent.id) || !divided) continue;
          there.add(parent.id);
          const lots = (byLine.get(parent.id)?.lots ?? []).filter((lot) => sowableOf(sky, lot).left !== 0);
          const best = lots.toSorted((a, b) => (b.life.until.likely ?? "").localeCompare(a.life.until.likely ?? ""))[0];
          const { id: lineId, code, name, species } = parent;
          const seeds = best && numberOf(() => seedsToSow(BESIDE, raisingFor(sky, { species, lineId, lot: best })));
          if (!best || !seeds) found.without.push(name);
          else
            found.able.push({
              lineId,
              code,
              name,
              lotId: best.id,
              seeds: Math.min(seeds, sowableOf(sky, best).left ?? seeds),
            });
        }
        return [line.id, found] as const;
      }),
  );
}

/** A line that is to be decided on, with what its plan has for it. */
type Draft = { line: LineSummary; proposed: Proposed; plants: number };

/** The lines to be decided on, what stands to lose most first among those of one kind. */
function draftsOf(sky: Outlook, toDecide: Known[]): Draft[] {
  const rests = lineDependants(sky.db);
  const lossOf = new Map(
    toDecide.map(({ line, lots }) => [
      line.id,
      stakeIn(sky, { lineId: line.id, species: line.species }, lots, rests.get(line.id) ?? 0).loss,
    ]),
  );
  const all = wholeLots(
    sky,
    toDecide.flatMap(({ lots }) => lots),
  );
  const lotsOf = groupBy(all, ({ lineId }) => lineId);
  return toDecide
    .toSorted(
      ({ line: a }, { line: b }) =>
        WHY.indexOf(whyOf(a)) - WHY.indexOf(whyOf(b)) ||
        lossOf.get(b.id)! - lossOf.get(a.id)! ||
        byWords(a.name, b.name),
    )
    .map(({ line }) => {
      const proposed = proposedOf(sky, line, lotsOf.get(line.id)!);
      return { line, proposed, plants: proposed.step?.plants ?? plantsToGoOn(line.species) };
    });
}

/** Each draft with its bed: what is sown first gets its ground first. */
function sowingsOf(sky: Outlook, drafts: Draft[], beside: Map<Id, Beside>, season: number): Map<Id, SowingProposed> {
  const ground = groundOfSeason(sky, season);
  const names = new Map(ground.beds.map(({ id, name }) => [id, name]));
  const wants = drafts.map(({ line, proposed, plants }) => {
    const together = plants + BESIDE * beside.get(line.id)!.able.length;
    return wantsGround(sky, ground, { ...line, plants: together, guard: guardOf(proposed, line) }, season);
  });
  const placed = placeAll(wants, ground.beds, ground.flowers);
  return new Map(
    drafts.map(({ line, proposed, plants }, i) => {
      const { bedId, fits, near, tired } = placed[i]!;
      const { plants: together, each } = wants[i]!;
      const standing = bedId === null ? plants : Math.max(1, Math.min(plants, fits - (together - plants)));
      const { rows, short } = rowsOf(proposed, standing);
      const sown = new Set(rows.map(({ lotId }) => lotId));
      return [
        line.id,
        {
          rows,
          plants: standing,
          meant: plants,
          short,
          sown: proposed.sown,
          sownIn: proposed.sownIn,
          numbered: proposed.numbered,
          generation: proposed.lots[0]?.generation ?? null,
          missing: (together - fits) * each,
          bed: bedId === null ? null : { id: bedId, name: names.get(bedId)!, near, tired },
          stays: proposed.lots.filter(({ id, left }) => !sown.has(id) && left !== 0),
        },
      ] as const;
    }),
  );
}

/** What of a line is planned for the season, in short. */
function plannedOf(sky: Outlook, id: Id, season: number): TurnLine["planned"] {
  const there = grownFor(sky, id, season);
  const [first] = there;
  if (!first) return null;
  return {
    ahead: first.planned === 1,
    bedId: first.bedId,
    bed: groundOfSeason(sky, season).beds.find(({ id: bedId }) => bedId === first.bedId)?.name ?? null,
    family: first.family === 1,
    rows: there.reduce((sum, { stands }) => sum + stands, 0),
    plants: there.reduce((sum, { plants, wanted }) => sum + (plants || wanted), 0),
    sown: first.sown,
  };
}

/** What a press plans of a line. */
function toPlanOf(
  sowing: SowingProposed | null,
  planned: TurnLine["planned"],
  beside: ParentBeside[],
  noBeds: boolean,
) {
  const parents = (where: Omit<PlannedSowing, "lots">): PlannedSowing[] =>
    beside.map(({ lotId, seeds }) => ({ ...where, lots: [{ lotId, seeds, wanted: BESIDE }], seedWanted: 0 }));
  if (planned) return parents({ bedId: planned.bedId, sown: planned.sown, sownIn: null });
  if (!sowing || sowing.rows.length === 0 || (sowing.bed === null && !noBeds)) return [];
  const where = { bedId: sowing.bed?.id ?? null, sown: sowing.sown, sownIn: sowing.sownIn };
  const lots = sowing.rows.map(({ lotId, seeds, wanted }) => ({ lotId, seeds, wanted }));
  return [{ ...where, lots, seedWanted: 1 as const }, ...parents(where)];
}

/** Plants whose flowers the plan keeps by hand in the generation that comes next: each wants its bag. */
function toBag(sky: Outlook, line: LineSummary, generation: number | null): number {
  const [next] = linePlan(sky, line, generation).ahead;
  return next?.guard === "hand" ? next.kept : 0;
}

/** The season's turn: of each line what becomes of it in the season to come, with what is proposed and what is missing. */
export const turnView = (sky: Outlook): Turn => sky.once("turn", () => worked(sky));

function worked(sky: Outlook): Turn {
  const { db, garden, today } = sky;
  const { season, began, closes } = decidingOn(sky);
  const noBeds = groundOfSeason(sky, season).beds.length === 0;
  const told = putOffElse(db);
  const kept = groupBy(keptPlants(db, season - 1), ({ lineId }) => lineId);
  const all = [...linesKnown(sky).values()]
    .filter(({ endedOn }) => endedOn === null)
    .map((line): Known => {
      const lots = (livingOf(sky).get(line.id) ?? []).filter(({ doubt }) => doubt === null);
      const choice = told.get(`regrow ${line.id}`);
      const left = choice !== undefined && choice.how !== "put-off" && isPutOff(choice, today, began);
      return { line, lots, state: stateOf(sky, line, lots, left) };
    });
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
    const { id, version, code, name, backcrosses } = line;
    const besides = beside.get(id)?.able ?? [];
    return {
      id,
      version,
      code,
      name: nameWithGeneration({ lineName: name, generation, backcrosses }),
      state,
      why: whyOf(line),
      until: lots.reduce<Day | null>((last, { life: { until } }) => {
        return (until.likely ?? "") > (last ?? "") ? until.likely : last;
      }, null),
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

/** Lines that are still to be decided on, with the soonest day on which one is sown; none outside the time for it. */
export function turnWaits(
  sky: Outlook,
): { season: number; lines: number; soonest: Day; opens: Day; closes: Day } | null {
  const { season, opens, closes } = decidingOn(sky);
  if (sky.today < opens) return null;
  const open = turnView(sky).lines.filter(({ state }) => state === "decide");
  const days = open.flatMap(({ sowing }) => sowing?.sown ?? []).sort();
  return days.length > 0 ? { season, lines: open.length, soonest: days[0]!, opens, closes } : null;
}
