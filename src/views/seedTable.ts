import { speciesById } from "@/catalogue/catalogue";
import { cautionsAt } from "@/catalogue/hazards";
import type { Day } from "@/core/calendar/day";
import { clockTime } from "@/core/climate/sun";
import { nameWithGeneration } from "@/core/custody/generation";
import { middle } from "@/core/flowering/facts";
import { groupBy } from "@/core/lists/groupBy";
import { WAYS, type Way } from "@/core/seed/cleaning/ways";
import { type Dryness, massAt, storageMoisture } from "@/core/seed/drying";
import { airDryMoisture, moistureTarget } from "@/core/seed/moisture";
import { clockAtHour, dayAtHour, type Handled, hoursAt, onTable, type Stage, type TableCall } from "@/core/seed/table";
import { handlingsOnTable } from "@/records/handling/queries";
import { tableLot } from "@/records/handling/tableLot";
import type { LotRow } from "@/records/lot/queries";
import { lotsOnTable } from "@/records/lot/queries";
import { type VesselRow, vessels } from "@/records/vessel/queries";
import type { Outlook } from "./outlook";

/** A moment as a screen says it. */
export type Moment = { day: Day; clock: string; hours: number };

/** How a call stands: past its last chance, due, possible already, or ahead. */
export type CallStanding = "late" | "due" | "early" | "ahead";

/** What the table calls for of one lot. */
export type TimedCall = Pick<TableCall, "act" | "title" | "how" | "into" | "otherwise"> & {
  from: Moment;
  best: Moment;
  last: Moment | null;
  standing: CallStanding;
  cautions: { title: string; caution: string }[];
};

/** What a call says of its lot. */
export type TableLotView = Pick<
  LotRow,
  "id" | "version" | "code" | "lineId" | "fraction" | "fruits" | "vesselId" | "brokenWhy"
> & {
  name: string;
  stage: Stage;
  way: string | null;
  /** Ways of cleaning its kind, the usual one first. */
  ways: { value: Way; label: string }[];
  broken: boolean;
  /** When it will be dry, the range of nine tenths. */
  dry: {
    early: Moment;
    likely: Moment;
    late: Moment;
    /** What it should weigh air-dry, and dry enough to be closed in. */
    mass: number | null;
    stored: number | null;
    /** Weigh-ins and the likely course, in days since it was spread. */
    weighed: { day: number; mass: number }[];
    course: { day: number; mass: number }[];
  } | null;
  calls: TimedCall[];
};

export type VesselView = Pick<VesselRow, "id" | "version" | "code" | "kind" | "name" | "lotId" | "soiledCode">;

export type SeedTable = { now: Moment; lots: TableLotView[]; vessels: VesselView[] };

const moment = (hours: number): Moment => ({ day: dayAtHour(hours), clock: clockAtHour(hours), hours });

/** The hour it is: the clock's at the garden; noon on a device that stands on a day of its own. */
const hoursNow = ({ today, pinned, garden }: Outlook): number =>
  hoursAt(today, pinned ? null : clockTime(new Date(), garden.timezone));

/** So near to its last chance, hours, nothing is early any more. */
const NEAR = 12;

function standingAt(now: number, { from, best, last }: Pick<TableCall, "from" | "best" | "last">): CallStanding {
  if (last !== null && now > last) return "late";
  if (now < from) return "ahead";
  return now >= best || (last !== null && now >= last - NEAR) ? "due" : "early";
}

function timed(call: TableCall, now: number): TimedCall {
  const { act, title, how, into, otherwise, hazards, from, best, last } = call;
  return {
    act,
    title,
    how,
    into,
    otherwise,
    from: moment(from),
    best: moment(best),
    last: last === null ? null : moment(last),
    standing: standingAt(now, call),
    cautions: cautionsAt(hazards),
  };
}

const DRAWN = 24;

/** Weigh-ins and the likely course of drying, and what the seed should weigh in the end. */
function curveOf(lot: LotRow, handled: Handled[], { mass, course, late }: Dryness) {
  const spread = handled.findLast(({ act }) => act === "spread")!.at;
  const weighed = handled.flatMap(({ act, at, value }) =>
    act === "weigh" && value !== null && at >= spread ? [{ day: (at - spread) / 24, mass: value }] : [],
  );
  if (!mass || !course) return { mass: null, stored: null, weighed, course: [] };
  const oil = middle(speciesById(lot.species).seed.oil);
  const { massTarget } = moistureTarget({
    massNow: mass.likely,
    moistureNow: airDryMoisture(ROOM_AIR, oil),
    moistureTarget: storageMoisture(oil),
  });
  const days = (late - spread) / 24;
  return {
    mass: mass.likely,
    stored: massTarget,
    weighed,
    course: Array.from({ length: DRAWN + 1 }, (_, i) => {
      const day = (days * i) / DRAWN;
      return { day, mass: massAt(course, 24 * day) };
    }),
  };
}

/** Air of the room in which seed dries. Working value. */
const ROOM_AIR = { temperature: 20, humidity: 0.5 };

/** A lot on the table, with what it calls for. */
function viewOf(lot: LotRow, handled: Parameters<typeof tableLot>[1], now: number): TableLotView {
  const { id, version, code, lineId, fraction, fruits, vesselId, brokenOn, brokenWhy } = lot;
  const table = tableLot(lot, handled);
  const { stage, calls, dryness } = onTable(table);
  const { seed } = speciesById(lot.species);
  return {
    id,
    version,
    code,
    lineId,
    fraction,
    fruits,
    vesselId,
    brokenWhy,
    name: nameWithGeneration(lot),
    stage,
    way: lot.way && WAYS[lot.way].name,
    ways: seed.ways.map((way) => ({ value: way, label: WAYS[way].name })),
    broken: brokenOn !== null,
    dry: dryness && {
      early: moment(dryness.early),
      likely: moment(dryness.likely),
      late: moment(dryness.late),
      ...curveOf(lot, table.handled, dryness),
    },
    calls: calls.map((call) => timed(call, now)),
  };
}

const vesselView = ({ id, version, code, kind, name, lotId, soiledCode }: VesselRow): VesselView => ({
  id,
  version,
  code,
  kind,
  name,
  lotId,
  soiledCode,
});

/** What stands on the table, as it is at this hour. */
export const seedTable = (sky: Outlook): SeedTable =>
  // The hour goes on while nothing is written.
  sky.once(`table ${Math.floor(hoursNow(sky) * 4)}`, () => {
    const { db, today } = sky;
    const now = hoursNow(sky);
    const handled = groupBy(handlingsOnTable(db, today), ({ lotId }) => lotId);
    return {
      now: moment(now),
      lots: lotsOnTable(db)
        .filter(({ gathered }) => gathered <= today)
        .map((lot) => viewOf(lot, handled.get(lot.id) ?? [], now)),
      vessels: vessels(db).map(vesselView),
    };
  });
