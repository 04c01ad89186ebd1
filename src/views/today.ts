import { protocolOf, speciesById } from "@/catalogue/catalogue";
import { HAZARDS } from "@/catalogue/hazards";
import { addDays, type Day, daysBetween } from "@/core/calendar/day";
import { frostAfter, seasonOf } from "@/core/climate/season";
import { clockTime, sunOn } from "@/core/climate/sun";
import { type Band as DayBand, dueSteps, lastDayToCover, type ProtocolStep } from "@/core/pollination/steps";
import { type FlowersToDo, flowersToDo, type SetRate, type Tally, tally } from "@/core/pollination/tally";
import type { Db } from "@/db/open";
import { type CrossRow, crossesOfSeason, type Flower, flowersOfSeason } from "@/records/cross/queries";
import { beds, type Garden } from "@/records/garden/queries";
import { type OutWaiting, plantsMarkedOut } from "@/records/plant/queries";
import { standById, standsOfSeason } from "@/records/stand/queries";
import { type Band, band } from "./band";
import { type ForecastStand, type Outlook, outlook } from "./outlook";

export type CrossState = {
  cross: Pick<
    CrossRow,
    | "id"
    | "code"
    | "lineName"
    | "motherName"
    | "motherNumber"
    | "motherBed"
    | "motherCode"
    | "fatherName"
    | "fatherNumber"
    | "fatherCode"
    | "kind"
    | "generation"
    | "fruitsWanted"
    | "confidence"
    | "version"
    | "closed"
  >;
  tally: Tally;
  rate: SetRate;
  toDo: FlowersToDo;
  last: { day: Day; daysLeft: number; reason: "flowering" | "frost" } | null;
  /** Flowers a night from now to the last, to reach the likely number. */
  tonight: number;
};

export type CrossTask = {
  kind: "cross";
  band: DayBand;
  state: CrossState;
  step: ProtocolStep;
  daysLeft: number | null;
  flowers: Pick<Flower, "id" | "number">[];
};
export type RogueTask = { kind: "rogue"; band: DayBand; out: OutWaiting; firstFlower: Day; daysLeft: number };
export type LookTask = {
  kind: "look";
  band: DayBand;
  stand: Pick<ForecastStand, "id" | "code" | "lineName" | "bedName" | "window">;
};
export type Task = CrossTask | RogueTask | LookTask;

export type Today = {
  garden: Garden;
  day: Day;
  band: Band;
  sun: { sunrise: string | null; sunset: string | null; dusk: string | null; tomorrow: string | null; hours: number };
  tasks: Task[];
  open: CrossState[];
  hazards: { title: string; caution: string }[];
  empty: { beds: boolean; stands: boolean };
};

/** The two stands of a cross, with their windows. */
export type Parents = { mother: ForecastStand; father: ForecastStand };

/** Finds the stands of crosses among those of their season; another season's father is read by itself. */
export function parentsIn(db: Db, sky: Outlook, stands: ForecastStand[]): (cross: CrossRow) => Parents {
  const known = new Map(stands.map((s) => [s.id, s]));
  const find = (id: number) => {
    const found = known.get(id) ?? sky.forecast(standById(db, id)!);
    known.set(id, found);
    return found;
  };
  return (cross) => ({ mother: find(cross.motherStandId), father: find(cross.fatherStandId) });
}

/** How a cross stands: what has set, what is still to do, and until when it can be done. */
export function crossState(
  cross: CrossRow,
  flowers: Flower[],
  parents: Parents,
  { climate, today }: Outlook,
): CrossState {
  const species = speciesById(cross.species);
  const done = tally(flowers.map((f) => f.state));
  const rate = { low: cross.setLow, likely: cross.setLikely, high: cross.setHigh };
  const toDo = flowersToDo(cross.fruitsWanted, done, rate, cross.confidence);
  const [mother, father] = [parents.mother.window, parents.father.window];
  const frost = frostAfter(mother.start, climate.frosts?.first.day ?? null);
  const last = lastDayToCover(mother.female, father.male, frost, species.daysToRipe, today);
  const evenings = last ? Math.max(1, last.daysLeft + 1) : 1;
  const started = today >= addDays(mother.female.start, -1) && today >= addDays(father.male.start, -1);
  // Over at most five evenings, so that bad weather leaves room.
  const tonight = started && last && last.daysLeft >= 0 ? Math.ceil(toDo.likely / Math.min(5, evenings)) : 0;
  return { cross, tally: done, rate, toDo, last, tonight };
}

function crossTasks(cross: CrossRow, flowers: Flower[], state: CrossState, day: Day): CrossTask[] {
  const species = speciesById(cross.species);
  const protocol = protocolOf(species);
  if (!protocol) return [];
  const due = dueSteps(protocol, flowers, day, species.daysToRipe).map((step): CrossTask => {
    const ids = new Set(step.flowerIds);
    return {
      kind: "cross",
      band: step.step.band,
      state,
      step: step.step,
      daysLeft: step.daysLeft,
      flowers: flowers.filter((f) => ids.has(f.id)).map(({ id, number }) => ({ id, number })),
    };
  });
  const cover = protocol.steps.find((s) => s.action === "cover");
  const coveredTonight = flowers.filter((f) => f.coveredOn === day).length;
  if (cover && state.tonight > 0 && coveredTonight < state.tonight)
    due.push({ kind: "cross", band: cover.band, state, step: cover, daysLeft: state.last!.daysLeft, flowers: [] });
  return due;
}

/** What is to be done on the as-of day, by band of the day, the soonest impossible first. */
export function todayView(db: Db): Today {
  const sky = outlook(db);
  const { garden: place } = sky;
  const day = sky.today;
  const season = seasonOf(day, place.latitude);
  const stands = standsOfSeason(db, season).map((s) => sky.forecast(s));
  const parents = parentsIn(db, sky, stands);
  const flowers = flowersOfSeason(db, season);
  const crosses = crossesOfSeason(db, season).filter((x) => !x.closed);
  const tasks: Task[] = [];
  const open: CrossState[] = [];
  const hazardIds = new Set<string>();
  for (const cross of crosses) {
    const own = flowers.get(cross.id) ?? [];
    const state = crossState(cross, own, parents(cross), sky);
    open.push(state);
    const due = crossTasks(cross, own, state, day);
    tasks.push(...due);
    if (due.length) for (const hazard of speciesById(cross.species).hazards) hazardIds.add(hazard);
    if (due.some((t) => t.step.band === "dawn")) hazardIds.add("stings");
  }
  const byId = new Map(stands.map((s) => [s.id, s]));
  for (const out of plantsMarkedOut(db, season)) {
    const firstFlower = byId.get(out.standId)!.window.start;
    tasks.push({ kind: "rogue", band: "any-hour", out, firstFlower, daysLeft: daysBetween(day, firstFlower) });
  }
  for (const stand of stands) {
    const { window, id, code, lineName, bedName } = stand;
    if (!window.observed && !stand.outside && day >= window.earliest && day <= window.latest)
      tasks.push({ kind: "look", band: "any-hour", stand: { id, code, lineName, bedName, window } });
  }
  const urgency = (task: Task) => (task.kind === "look" ? 1000 : (task.daysLeft ?? 999));
  tasks.sort((a, b) => urgency(a) - urgency(b));
  const sun = sunOn(place.latitude, place.longitude, day);
  const tomorrow = sunOn(place.latitude, place.longitude, addDays(day, 1));
  const clock = (moment: Date | null) => moment && clockTime(moment, place.timezone);
  const busy = new Set(crosses.flatMap((x) => [x.motherStandId, x.fatherStandId]));
  return {
    garden: place,
    day,
    band: band(sky, season, stands, (s) => busy.has(s.id)),
    sun: {
      sunrise: clock(sun.sunrise),
      sunset: clock(sun.sunset),
      dusk: clock(sun.dusk),
      tomorrow: clock(tomorrow.sunrise),
      hours: sun.hours,
    },
    tasks,
    open,
    hazards: [...hazardIds].map((id) => HAZARDS[id]!),
    empty: { beds: beds(db).length === 0, stands: stands.length === 0 },
  };
}
