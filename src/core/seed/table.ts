import { type Day, dayNumber, dayOf } from "../calendar/day";
import { within } from "../units/within";
import type { WayStep } from "./cleaning/way";
import { type RunFacts, stepsOf, WAYS } from "./cleaning/ways";
import { type Dryness, drying } from "./drying";
import { HANDLINGS, type Handling } from "./handlings";
import type { VesselKind } from "./vessels";

/** What was done with a lot on the table: when, in hours (`hoursAt`), and what was read off. */
export type Handled = { act: Handling; at: number; value: number | null };

/** A lot on the table, from fruit or heads to the packet. */
export type TableLot = {
  /** How it is cleaned; null while nothing was begun. */
  run: RunFacts | null;
  /** When it was gathered, hours; and how many days its fruit ripens on indoors. */
  gathered: number;
  afterRipening: { low: number; high: number } | null;
  /** Its seed is in flesh. */
  fleshy: boolean;
  /** In order of their times. */
  handled: Handled[];
  perGram: number;
  /** Larvae may be in it: it is frozen for some days once it is dry. */
  larvae: boolean;
};

/** Something the table calls for: when it can be done, is best done, and must be done by, in hours. */
export type Call = Pick<WayStep, "act" | "title" | "how" | "into" | "otherwise" | "hazards"> & {
  from: number;
  best: number;
  last: number | null;
};

/** A call that is no handling: cleaning begins, or the lot goes into its packet. */
export type TableCall = Call | (Omit<Call, "act"> & { act: "begin" | "pack" });

/** Where a lot stands on its way. */
export type Stage = "ripening" | "waiting" | "cleaning" | "drying" | "dry" | "frozen";

export type OnTable = { stage: Stage; calls: TableCall[]; dryness: Dryness | null };

/**
 * A day and an hour as hours on one clock; by noon where the hour is not known.
 * @example hoursAt("2027-07-09", "06:30") - hoursAt("2027-07-08", null) // 18.5
 */
export function hoursAt(on: Day, at: string | null): number {
  const [hour = "12", minute = "0"] = (at ?? "12:00").split(":");
  return dayNumber(on) * 24 + Number(hour) + Number(minute) / 60;
}

/** The day on which an hour of that clock lies. @example dayAtHour(hoursAt("2027-07-09", "23:30") + 1) // "2027-07-10" */
export const dayAtHour = (hours: number): Day => dayOf(Math.floor(hours / 24));

/** The clock's hour, on the quarter. @example clockAtHour(hoursAt("2027-07-09", "06:37")) // "06:30" */
export function clockAtHour(hours: number): string {
  const quarters = Math.floor((hours - Math.floor(hours / 24) * 24) * 4 + 1e-6);
  return `${String(Math.floor(quarters / 4)).padStart(2, "0")}:${String((quarters % 4) * 15).padStart(2, "0")}`;
}

/** Hours of frost that kill larvae, and hours in which what is cold comes to room warmth, closed. Guidance. */
const FROZEN_FOR = 72;
const WARM_AFTER = 24;
/** Drying seed is turned this often, hours. Guidance. */
const TURN = { from: 18, best: 24, last: 72 };

/**
 * Whether seed was found dry: a fingernail leaves no dent, or it snaps; the last trial tells.
 * @example isDry([{ act: "nail", at: 0, value: 0 }]) // true
 */
export function isDry(handled: Handled[]): boolean {
  const trial = lastTrial(handled);
  return trial?.value != null && HANDLINGS[trial.act].reads!.dry!(trial.value);
}

const lastTrial = (handled: Handled[]) => handled.findLast(({ act }) => HANDLINGS[act].reads?.dry);

const lastOf = (handled: Handled[], act: Handling) => handled.findLast((one) => one.act === act)?.at ?? null;

/** The steps of its way that stand before one another; stirring goes on beside them. */
const inLine = (run: RunFacts): WayStep[] => stepsOf(run).filter(({ act }) => act !== "stir");

const called = (step: WayStep, since: number): Call => ({
  ...step,
  from: since + step.after.from,
  best: since + step.after.best,
  last: step.after.last === null ? null : since + step.after.last,
});

function cleaning(run: RunFacts, handled: Handled[], gathered: number): Call[] {
  const done = new Set(handled.map(({ act }) => act));
  const steps = inLine(run);
  const next = steps.findIndex(({ act }) => !done.has(act));
  if (next < 0) return [];
  const since = next === 0 ? gathered : (lastOf(handled, steps[next - 1]!.act) ?? gathered);
  const calls = [called(steps[next]!, since)];
  const stir = stepsOf(run).find(({ act }) => act === "stir");
  if (stir && steps[next]!.act === "rinse") calls.push(called(stir, lastOf(handled, "stir") ?? since));
  return calls;
}

const TRIAL: Pick<Call, "act" | "title" | "how" | "into" | "hazards"> = {
  act: "nail",
  title: "Try whether it is dry",
  how: "A fingernail leaves no dent; thin seed snaps. What they say counts for more than any curve.",
  into: null,
  hazards: [],
};

function dryingCalls(spread: number, handled: Handled[], dryness: Dryness): Call[] {
  const since = Math.max(spread, lastOf(handled, "turn") ?? spread);
  const tried = Math.max(lastOf(handled, "nail") ?? 0, lastOf(handled, "snap") ?? 0);
  // What was found still soft is tried again two days later.
  const from = Math.max(dryness.early, tried && tried + 24);
  const best = Math.max(dryness.likely, tried && tried + 48);
  return [
    {
      act: "turn",
      title: "Turn it",
      how: "Break up what sticks, spread it thin again; weigh it when you can.",
      into: null,
      hazards: [],
      from: since + TURN.from,
      best: since + TURN.best,
      last: since + TURN.last,
      otherwise: "the underside moulds",
    },
    { ...TRIAL, from, best, last: null, otherwise: null },
  ];
}

function dryCalls(handled: Handled[], dry: number, larvae: boolean): { stage: Stage; calls: TableCall[] } {
  const frozen = lastOf(handled, "freeze");
  const thawed = lastOf(handled, "thaw");
  if (frozen !== null && (thawed === null || thawed < frozen)) {
    const from = frozen + FROZEN_FOR;
    const how = "Closed, until it is as warm as the room: a day. Opened cold it draws water.";
    const thaw: Call = {
      act: "thaw",
      title: "Out of the freezer",
      how,
      into: null,
      hazards: [],
      from,
      best: from,
      last: null,
      otherwise: null,
    };
    return { stage: "frozen", calls: [thaw] };
  }
  const ready = thawed === null ? dry : thawed + WARM_AFTER;
  const pack: TableCall = {
    act: "pack",
    title: "Into its packet",
    how: "A label inside and one outside: species, variety, source, year, lot.",
    into: null,
    hazards: [],
    from: ready,
    best: ready,
    last: ready + 21 * 24,
    otherwise: "lying open it draws water again, and mice find it",
  };
  if (!larvae || thawed !== null) return { stage: "dry", calls: [pack] };
  const freeze: Call = {
    act: "freeze",
    title: "Freeze it for three days, against larvae",
    how: "Closed and quite dry: wet seed bursts.",
    into: null,
    hazards: [],
    from: dry,
    best: dry,
    last: dry + 14 * 24,
    otherwise: "larvae inside go on eating",
  };
  return { stage: "dry", calls: [freeze, pack] };
}

/** Weigh-ins since it was spread. */
const weighingsOf = (handled: Handled[], spread: number) =>
  handled.flatMap(({ act, at, value }) =>
    act === "weigh" && value !== null && at >= spread ? [{ at, mass: value }] : [],
  );

/**
 * How a lot stands on the table, and what it calls for.
 * @example onTable({ run: null, gathered: 0, afterRipening: { low: 5, high: 14 }, fleshy: true, handled: [], perGram: 30,
 *   larvae: false }).calls[0].best / 24 // 9.5
 */
export function onTable(lot: TableLot): OnTable {
  const { run, gathered, afterRipening, handled, perGram, larvae, fleshy } = lot;
  if (!run) {
    const from = gathered + 24 * (afterRipening?.low ?? 0);
    const best = gathered + 12 * ((afterRipening?.low ?? 0) + (afterRipening?.high ?? 0));
    const last = gathered + 24 * ((afterRipening?.high ?? 0) + (fleshy ? 21 : 90));
    const begin: TableCall = {
      act: "begin",
      title: "Begin to clean it",
      how: afterRipening
        ? "Its fruit has ripened on indoors."
        : fleshy
          ? "Fresh from the fruit."
          : "Once it rustles dry.",
      into: null,
      hazards: [],
      from,
      best,
      last,
      otherwise: fleshy ? "the fruit rots; seed of soft fruit is mostly sound yet" : "mice and mould get it",
    };
    return { stage: afterRipening ? "ripening" : "waiting", calls: [begin], dryness: null };
  }
  const spread = lastOf(handled, "spread");
  if (spread === null) return { stage: "cleaning", calls: cleaning(run, handled, gathered), dryness: null };
  if (isDry(handled)) {
    const found = lastTrial(handled)!.at;
    return { ...dryCalls(handled, found, larvae), dryness: null };
  }
  const dryness = drying(weighingsOf(handled, spread), spread, perGram, WAYS[run.way].wet);
  return { stage: "drying", calls: dryingCalls(spread, handled, dryness), dryness };
}

/**
 * Why something can't be done with a lot now.
 * @returns a sentence, or null where it can
 * @example whyNot("freeze", { handled: [], run: null }) // "Say first how it is cleaned."
 */
export function whyNot(act: Handling, { handled, run }: Pick<TableLot, "handled" | "run">): string | null {
  if (!run) return "Say first how it is cleaned.";
  const { beside } = HANDLINGS[act];
  if (beside) {
    const ready = beside.after === "dry" ? isDry(handled) : handled.some((one) => one.act === beside.after);
    return ready ? null : beside.but;
  }
  const steps = inLine(run).map((step) => step.act);
  if (!steps.includes(act)) return `That is no step of this way: ${WAYS[run.way].name.toLowerCase()}.`;
  const before = steps[steps.indexOf(act) - 1];
  if (before && !handled.some((one) => one.act === before)) {
    const { title } = inLine(run)[steps.indexOf(before)]!;
    return `Before that comes: ${within(title)}.`;
  }
  return null;
}

/** Into which kind of vessel an act puts a lot. @example vesselAfter("spread", null) // null */
export const vesselAfter = (act: Handling, run: RunFacts | null): VesselKind | null =>
  (run && stepsOf(run).find((step) => step.act === act)?.into) ?? null;
