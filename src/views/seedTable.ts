import { speciesById } from "@/catalogue/catalogue";
import { HAZARDS } from "@/catalogue/hazards";
import type { Day } from "@/core/calendar/day";
import { clockTime } from "@/core/climate/sun";
import { nameWithGeneration } from "@/core/custody/generation";
import { groupBy } from "@/core/lists/groupBy";
import { clockAtHour, dayAtHour, hoursAt, onTable, type Stage, type TableCall } from "@/core/seed/table";
import { WAYS, type Way } from "@/core/seed/ways";
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
  dry: { early: Moment; likely: Moment; late: Moment; mass: number | null } | null;
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
    cautions: hazards.map((id) => HAZARDS[id]!),
  };
}

/** A lot on the table, with what it calls for. */
function viewOf(lot: LotRow, handled: Parameters<typeof tableLot>[1], now: number): TableLotView {
  const { id, version, code, lineId, fraction, fruits, vesselId, brokenOn, brokenWhy } = lot;
  const { stage, calls, dryness } = onTable(tableLot(lot, handled));
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
    name: nameWithGeneration(lot.lineName, lot.generation),
    stage,
    way: lot.way && WAYS[lot.way],
    ways: seed.ways.map((way) => ({ value: way, label: WAYS[way] })),
    broken: brokenOn !== null,
    dry: dryness && {
      early: moment(dryness.early),
      likely: moment(dryness.likely),
      late: moment(dryness.late),
      mass: dryness.mass?.likely ?? null,
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
