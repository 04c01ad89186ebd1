import { speciesById } from "@/catalogue/catalogue";
import { type Caution, cautionsAt } from "@/catalogue/hazards";
import { addDays, type Day, dayNumber, daysBetween } from "@/core/calendar/day";
import { temperatureOn } from "@/core/climate/climate";
import { firstInsects } from "@/core/climate/dayTemperature";
import { killedBy } from "@/core/climate/killing";
import { clockTime, sunOn } from "@/core/climate/sun";
import type { Id } from "@/core/custody/id";
import { cornersOf, middleOf, type Point } from "@/core/ground/shape";
import { walkThrough } from "@/core/ground/walk";
import type { Ahead } from "@/core/pollination/ahead";
import { bedOf } from "@/core/pollination/fathers";
import { DAY_PARTS, type DayPart, doingOf, isTimed } from "@/core/pollination/protocol";
import { isPressing, NO_HURRY, type Standing } from "@/core/work/work";
import type { Bed } from "@/records/bed/bed";
import { beds } from "@/records/bed/queries";
import { mixedFathersOfSeason } from "@/records/candidate/queries";
import type { CrossRow } from "@/records/cross/queries";
import { protocolOfCross } from "@/records/flower/commands";
import { flowersUnderWay } from "@/records/flower/queries";
import type { Garden } from "@/records/garden/garden";
import { sourcesToAsk } from "@/records/ground/queries";
import { type OutWaiting, plantsMarkedOut } from "@/records/plant/queries";
import { openTasks } from "@/records/task/queries";
import type { Task as OwnTask } from "@/records/task/task";
import { type OpenTasting, openTastings } from "@/records/tasting/queries";
import { type Band, band } from "./band";
import { brief, type CrossTask, crossTasks, isFetched, isLate, type OnCross, QUICKEST } from "./crossTasks";
import { linesKnown } from "./linePlan";
import type { Outlook } from "./outlook";
import { type CrossState, crossesIn, hand, onDay } from "./pollination";
import { type Regrow, regrowView } from "./regrow";
import { tasksElsewhere } from "./tasks";
import { type LinkedTask, type PutOffInput, putOffOf } from "./tasks/task";
import { type BedWork, byBed, openWork } from "./work";

export type RogueTask = { kind: "rogue"; part: DayPart; out: OutWaiting; firstFlower: Day; daysLeft: number };
/** Work on plantings, of one act in one bed. */
export type StandTask = { kind: "stand"; part: DayPart; group: BedWork; daysLeft: number };
/** A task that the grower wrote down. */
export type OwnWork = { kind: "own"; part: DayPart; task: OwnTask; daysLeft: number };
/** A line that should be sown again. */
export type RegrowTask = { kind: "regrow"; part: DayPart; line: Regrow; daysLeft: number };
/** A neighbour who is to be asked. */
export type AskTask = { kind: "ask"; part: DayPart; asking: Asking; daysLeft: number };
/** A tasting that was begun. */
export type TasteTask = { kind: "tasting"; part: DayPart; tasting: OpenTasting; daysLeft: number };
/** What is done on a page of its own: a call of the table, a test, a place, a sharing day. */
export type LinkTask = {
  kind: "link";
  part: DayPart;
  task: LinkedTask;
  daysLeft: number;
  putOff: PutOffInput | null;
};
export type Task = OnCross | RogueTask | StandTask | OwnWork | RegrowTask | AskTask | TasteTask | LinkTask;

/** A neighbour who is to be asked to do without, and when he was. */
export type Asking = { id: Id; version: Id; name: string; season: number; askedOn: Day | null };

/** A bed on Today's map; where something is to be done today, which stop of the walk it is. */
export type TodayBed = { id: Id; name: string; outline: Point[]; stop: number | null };

export type Today = {
  garden: Garden;
  day: Day;
  band: Band;
  sun: {
    sunrise: string | null;
    sunset: string | null;
    dusk: string | null;
    tomorrow: string | null;
    hours: number;
    insects: { from: string; to: string } | null;
  };
  /** The warmest hour expected today; null where no temperature is known. */
  heat: { max: number; from: "station" | "readings" | "normal"; spoils: string[] } | null;
  tasks: Task[];
  /** Flowers that were covered and not pollinated in their time: asked once what became of them. */
  late: CrossTask[];
  /** Crosses whose flowering is over: said once, then they leave Today. */
  over: CrossState[];
  /** Metres between the beds of the walk, and in what order they come. */
  walk: { order: string[]; metres: number } | null;
  /** The beds as they lie, with the stops of the day's whole walk. */
  map: TodayBed[];
  open: CrossState[];
  /** Work whose last chance has passed: asked once, whether it was done. */
  missed: BedWork[];
  /** Work that can be done before its best day, and what comes next with the day from which it can be done. */
  early: BedWork[];
  next: BedWork[];
  /** Own tasks that are due later, the soonest first. */
  later: OwnTask[];
  ahead: Ahead;
  hazards: { title: string; caution: string }[];
  empty: { beds: boolean; stands: boolean; lines: boolean };
};

/** Beds in the order of a short walk, by name, and its length. */
function walkOf(places: Bed[]): { order: string[]; metres: number } {
  const { order, length } = walkThrough(places.map((bed) => middleOf(cornersOf(bed))));
  return { order: order.map((i) => places[i]!.name), metres: Math.round(length) };
}

/** In which bed a task is done; null where it is in none. */
function bedOfTask(task: Task): string | null {
  if (task.kind === "stand") return task.group.place;
  return "state" in task ? bedOf(task) : task.kind === "rogue" ? task.out.bedName : null;
}

/** The beds with the stops of a walk through all that is to be done today. */
function mapOf(places: Bed[], tasks: Task[]): TodayBed[] {
  const toDo = new Set(tasks.filter(isPressing).map(bedOfTask));
  const { order } = walkOf(places.filter(({ name }) => toDo.has(name)));
  return places.map((bed) => {
    const at = order.indexOf(bed.name);
    return { id: bed.id, name: bed.name, outline: cornersOf(bed), stop: at < 0 ? null : at + 1 };
  });
}

/** By band of the day; within a timed one along the walk, otherwise the soonest impossible first. */
function inOrder(tasks: Task[], walk: string[]): Task[] {
  const stop = (task: Task) => {
    if (!isTimed(task.part) || !("state" in task)) return 0;
    const at = walk.indexOf(bedOf(task) ?? "");
    // Pollen is fetched before it is wanted.
    return (at < 0 ? walk.length : at) + (isFetched(task) ? 0 : walk.length + 1);
  };
  return [...tasks].sort(
    (a, b) => DAY_PARTS.indexOf(a.part) - DAY_PARTS.indexOf(b.part) || stop(a) - stop(b) || a.daysLeft - b.daysLeft,
  );
}

/** So many days a cross that is over is told of. */
const SAID = 14;

/** The warmest hour, and whose pollen it harms. */
function heatOf({ climate, garden, today }: Outlook, tasks: Task[], crosses: Map<Id, CrossRow>): Today["heat"] {
  const temperature = temperatureOn(climate, dayNumber(today));
  if (!temperature) return null;
  const due = tasks.flatMap((t) => (t.kind === "cross" ? [speciesById(crosses.get(t.state.cross.id)!.species)] : []));
  return {
    max: Math.round(temperature.max),
    from: climate.measured.has(dayNumber(today)) ? (garden.station === "none" ? "readings" : "station") : "normal",
    spoils: [...new Set(due.filter((s) => temperature.max >= s.heat.ceiling).map((s) => s.name))],
  };
}

/** Days left until a task's last; many where it never comes too late. */
const daysLeftOf = ({ last }: { last: Day | null }, day: Day): number =>
  last === null ? NO_HURRY : daysBetween(day, last);

/** What is to be done with no planting, cross or task of one's own: lines, neighbours, tastings, and what has its own page. */
function elsewhere(sky: Outlook): Task[] {
  const { db, today } = sky;
  const lines = new Map(regrowView(sky).map((line) => [line.lineId, line]));
  const sources = new Map(sourcesToAsk(db).map((source) => [source.id, source]));
  const tastings = new Map(openTastings(db, today).map((tasting) => [tasting.id, tasting]));
  return tasksElsewhere(sky)
    .filter(({ of, standing }) => standing !== "ahead" && !(of === "lot" && standing === "early"))
    .map((task): Task => {
      const base = { part: task.part, daysLeft: daysLeftOf(task, today) };
      if (task.act === "regrow") return { kind: "regrow", ...base, line: lines.get(task.id)! };
      if (task.of === "tasting") return { kind: "tasting", ...base, tasting: tastings.get(task.id)! };
      if (task.of !== "neighbour") return { kind: "link", ...base, task, putOff: putOffOf(task) };
      const { id, version, name, askSeason, askedOn } = sources.get(task.id)!;
      return { kind: "ask", ...base, asking: { id, version, name, season: askSeason!, askedOn } };
    });
}

/** Flowers whose time is past, that are asked about. */
const isPast = (task: Task): boolean => task.kind === "cross" && isLate(task);

/** So much of what comes next is told. */
const COMING = 5;

/** What Today has to do in one bed. */
export function todayIn(view: Today, bed: string): Today {
  const here = (groups: BedWork[]) => groups.filter(({ place }) => place === bed);
  const { missed, early, next } = view;
  const tasks = view.tasks.filter((task) => bedOfTask(task) === bed);
  return { ...view, tasks, missed: here(missed), early: here(early), next: here(next) };
}

/** What is to be done on the as-of day, by band of the day, each band in the order of a short walk. */
export const todayView = (sky: Outlook): Today => sky.once("today", () => worked(sky));

function worked(sky: Outlook): Today {
  const { db, garden: place, today: day, season } = sky;
  const ours = hand(sky);
  const stands = sky.standsOf(season);
  const flowers = flowersUnderWay(db, season, day, addDays(day, -QUICKEST));
  // A look back does not know of what was planned later.
  const known = crossesIn(sky, season).filter(({ cross }) => !cross.closed && cross.plannedOn <= day);
  const crosses = known.map(({ cross }) => cross);
  const mixed = mixedFathersOfSeason(db, season);
  const tasks: Task[] = [];
  const open: CrossState[] = [];
  const over: CrossState[] = [];
  const ahead: Ahead = { protocols: {}, crosses: {} };
  const hazards = new Map<string, Caution>();
  const warn = (cautions: Caution[]) => {
    for (const caution of cautions) hazards.set(caution.title, caution);
  };
  for (const { cross, parents, state } of known) {
    const flowersOfIt = flowers.get(cross.id) ?? [];
    if (!state.over) open.push(state);
    const protocol = protocolOfCross(cross);
    const { daysToRipe } = speciesById(cross.species);
    if (state.over && cross.overOn === null && state.over >= addDays(day, -SAID)) over.push(state);
    const all = crossTasks(cross, flowersOfIt, brief(state), parents, mixed.get(cross.id) ?? [], ours);
    tasks.push(...all);
    // What is only asked about leads nowhere, and harms nobody.
    const due = all.filter((task) => !isPast(task));
    const isDue = new Set(due.flatMap((task) => (task.kind === "cross" ? task.flowers.map(({ id }) => id) : [])));
    const dueFlowers = flowersOfIt.filter(({ id }) => isDue.has(id));
    if (due.length > 0) {
      ahead.protocols[protocol.id] = protocol;
      ahead.crosses[cross.id] = {
        protocol: protocol.id,
        daysToRipe,
        made: { males: cross.males, malesOn: cross.malesOn, fetchedOn: cross.fetchedOn },
        flowers: onDay(dueFlowers, day, place.timezone),
      };
    }
    for (const task of due) {
      if (task.kind !== "cross") continue;
      const { hazards: ofStep } = task.step;
      const ripe = doingOf(task.step).ripens;
      warn(cautionsAt(speciesById(cross.species).hazards, ripe ? "fruit" : "touch"));
      // What threshing brings up is told at the table.
      warn(cautionsAt(ofStep, ripe ? "fruit" : "touch"));
    }
  }
  const byId = new Map(stands.map((s) => [s.id, s]));
  for (const out of plantsMarkedOut(db, season, day)) {
    const { start, kill } = byId.get(out.standId)!.window;
    // What the cold took nobody has to take.
    if (kill && dayNumber(day) > killedBy(kill)) continue;
    tasks.push({ kind: "rogue", part: "any-hour", out, firstFlower: start, daysLeft: daysBetween(day, start) });
  }
  const works = openWork(sky);
  const standing = (of: Standing) => works.filter((work) => work.standing === of);
  for (const group of byBed(standing("due"))) {
    tasks.push({ kind: "stand", part: group.works[0]!.part, group, daysLeft: daysLeftOf(group, day) });
  }
  const own = openTasks(db);
  for (const task of own.filter(({ due }) => due <= day))
    tasks.push({ kind: "own", part: "any-hour", task, daysLeft: daysBetween(day, task.due) });
  tasks.push(...elsewhere(sky));
  const places = beds(db);
  const toDo = tasks.filter((task) => !isPast(task));
  const visited = new Set(toDo.flatMap((t) => ("state" in t ? [bedOf(t)] : [])));
  const walk = walkOf(places.filter((bed) => visited.has(bed.name)));
  const marks = ours.marks(day);
  const tomorrow = ours.marks(addDays(day, 1));
  const clock = (moment: Date) => clockTime(moment, place.timezone);
  const temperature = temperatureOn(sky.climate, dayNumber(day));
  const insects = temperature && firstInsects(temperature, marks);
  const busy = new Set(crosses.flatMap((x) => [x.motherStandId, x.fatherStandId]));
  return {
    garden: place,
    day,
    band: band(sky, season, stands, (s) => busy.has(s.id)),
    sun: {
      sunrise: marks.counted ? null : clock(marks.sunrise),
      sunset: marks.counted ? null : clock(marks.sunset),
      dusk: marks.counted ? null : clock(marks.dusk),
      tomorrow: tomorrow.counted ? null : clock(tomorrow.sunrise),
      hours: sunOn(place.latitude, place.longitude, day).hours,
      insects: insects && { from: clock(insects.from), to: clock(insects.to) },
    },
    heat: heatOf(sky, toDo, new Map(crosses.map((x) => [x.id, x]))),
    tasks: inOrder(toDo, walk.order),
    late: tasks.filter((task) => task.kind === "cross").filter(isLate),
    over,
    walk: walk.order.length > 1 ? walk : null,
    map: mapOf(places, toDo),
    open,
    missed: byBed(standing("missed")),
    early: byBed(standing("early")),
    next: byBed(standing("ahead").filter(({ waits }) => !waits))
      .sort((a, b) => a.works[0]!.from.localeCompare(b.works[0]!.from))
      .slice(0, COMING),
    later: own.filter(({ due }) => due > day),
    ahead,
    hazards: [...hazards.values()],
    empty: { beds: places.length === 0, stands: stands.length === 0, lines: linesKnown(sky).size === 0 },
  };
}
