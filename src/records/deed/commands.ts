import Joi from "joi";
import { type Day, dayInWords } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { plural } from "@/core/units/plural";
import { STEP_WORDS } from "@/core/work/life";
import { ACTS, type Act } from "@/core/work/work";
import { Refusal, refuse } from "@/db/ops";
import { bedById } from "../bed/queries";
import { type Context, command } from "../command";
import { line } from "../line/line";
import { choice, day, given, type Patch, ref, type Told as ToldFields, text } from "../record";
import { idList, idOf } from "../schema";
import { source } from "../source/source";
import { changeStand, existingStand, whatIsLeft } from "../stand/commands";
import type { StandRow } from "../stand/queries";
import { standRule } from "../stand/rules";
import { inCells, stand } from "../stand/stand";
import { store } from "../store/store";
import { test } from "../test/test";
import { type Deed, deed, type Found, found, OF_ELSE } from "./deed";

/** What each act is called once it is done. */
const DONE_WORDS: Record<Act, string> = {
  sow: "sown",
  "look-up": "came up",
  thin: "thinned",
  stake: "staked",
  "prick-out": "pricked out",
  harden: "stood out to harden",
  "plant-out": "planted out",
  "winter-way": "its way through the winter said",
  mulch: "mulched",
  lift: "lifted and stored",
  "look-store": "looked through in the store",
  replant: "replanted",
  "count-living": "came through the winter",
  "look-around": "looked around for what crosses with it",
  rogue: "rogued",
  cover: "covered",
  "first-flower": "in flower",
  sexes: "males and females counted",
  "males-out": "males taken out",
  score: "scored",
  choose: "chosen among",
  bolters: "looked through for bolters",
  self: "next generation planned",
  "flowers-off": "flowers taken off",
  cage: "cage seen to",
  uncover: "uncovered",
  taste: "tasted",
  cut: "cut, ripening under a roof",
  pick: "a pass picked",
  "bring-in": "brought in",
  gather: "seed gathered",
  keep: "seed put away",
};

/** What is told of an act beside its day. */
type Told = Record<"counted" | "males" | "females" | "crates" | "spare" | "looked", number | null> & {
  sex: StandRow["firstSex"];
  overwinter: StandRow["overwinter"];
  /** The bed that it goes into. */
  bedId: Id | null;
  byWhom: string;
};

/** A count where one was made; what nobody counted stays as it is. */
const kept = <C extends keyof Patch<typeof stand>>(column: C, value: number | null): Patch<typeof stand> =>
  value === null ? {} : { [column]: value };

/** What an act changes of its stand, beside being done. */
function effect(before: StandRow, act: Act, on: Day, { counted, ...told }: Told): Patch<typeof stand> {
  switch (act) {
    case "sow":
      // What was planned is what was wanted; how many stand is counted later.
      return before.planned || before.sown > on
        ? {
            planned: 0,
            sown: on,
            sowedSeeds: counted ?? before.sowedSeeds,
            wanted: before.wanted ?? before.plants,
            plants: null,
          }
        : { sown: on, ...kept("sowedSeeds", counted) };
    case "look-up":
      return { upOn: on, ...kept("cameUp", counted) };
    case "prick-out":
      return { pottedOn: on, ...kept("potted", counted), ...kept("crates", told.crates) };
    case "thin":
      // One stays in each cell until it is planted out; in the ground it stands.
      return kept(inCells(before) ? "potted" : "plants", counted);
    case "plant-out":
      return {
        plantedOut: on,
        ...kept("plants", counted),
        ...kept("spare", told.spare),
        ...(told.bedId ? { bedId: told.bedId } : {}),
      };
    case "winter-way":
      return { overwinter: told.overwinter ?? refuse("overwinter", "Say which way it takes.") };
    case "count-living":
      // Numbered plants that died are taken out one by one.
      return before.family ? {} : kept("plants", counted);
    case "lift":
      return { liftedOn: on };
    case "replant":
      return { replantedOn: on, ...kept("plants", counted) };
    case "first-flower":
      return { firstFlower: on, firstSex: told.sex };
    case "sexes":
      return { males: told.males, females: told.females };
    default:
      return {};
  }
}

/** Where the form of a deed says what the stand's rule book says of its columns. */
const ASKED_AS: Record<string, string> = {
  ...Object.fromEntries(Object.keys(STEP_WORDS).map((step) => [step, "on"])),
  sowedSeeds: "counted",
  cameUp: "counted",
  plants: "counted",
  potted: "counted",
};

function besideForm(work: () => void): void {
  try {
    work();
  } catch (failure) {
    if (!(failure instanceof Refusal)) throw failure;
    const fields = Object.entries(failure.fields).map(([name, words]) => [ASKED_AS[name] ?? name, words]);
    throw new Refusal(failure.message, Object.fromEntries(fields), failure.kind);
  }
}

/** A stand that work can still be done with. */
function livingStand(context: Context, standId: string): StandRow {
  const found = existingStand(context, standId, "standId");
  if (found.endedOn)
    refuse(
      "standId",
      `${found.code} ended on ${dayInWords(found.endedOn)} (${found.ending}). Bring it back first if it lives.`,
    );
  return found;
}

const which = { standId: ref("stand", "Stand"), act: choice("What", ACTS) };

const NOTHING_TOLD = {
  males: null,
  females: null,
  crates: null,
  spare: null,
  looked: null,
  sex: null,
  overwinter: null,
  bedId: null,
  byWhom: "",
} as const;

/** An act done on a day, with what it changes of its stand. */
function carryOutTold(
  context: Context,
  standId: Id,
  act: Act,
  on: Day,
  { storedIn, ...told }: Told & { storedIn: string },
): { id: Id; before: StandRow } {
  const before = livingStand(context, standId);
  if (told.bedId && !bedById(context.db, told.bedId)) refuse("bedId", "That bed does not exist.");
  const patch = { ...effect(before, act, on, told), ...(storedIn ? { storedIn } : {}) };
  if (Object.keys(patch).length > 0) {
    besideForm(() => standRule(context, { ...before, ...patch }, before));
    changeStand(context, before, patch);
  }
  return {
    id: context.write.insert(deed, {
      standId,
      act,
      how: "done",
      on,
      counted: told.counted,
      looked: told.looked,
      byWhom: told.byWhom,
    }),
    before,
  };
}

/** An act done as part of another press, with how many where they were counted. */
export const carryOut = (
  context: Context,
  standId: Id,
  act: Act,
  on: Day,
  counted: number | null,
  more: Partial<Pick<Told, "looked" | "bedId">> = {},
): Id => carryOutTold(context, standId, act, on, { ...NOTHING_TOLD, ...more, counted, storedIn: "" }).id;

/** Where nothing came up: what can still be done about it. */
const failedIn = (context: Context, act: Act, counted: number | null, stand: StandRow): string[] =>
  act === "look-up" && counted === 0
    ? [
        `Nothing of ${stand.code} came up. ${whatIsLeft(context, stand)} Say on its page that it is lost, and it is offered anew.`,
      ]
    : [];

/** Kinds that a walk removed from a planting without numbers, each with how many. */
const FOUND = given<Pick<Found, "reason" | "plants">[]>(
  "Removed",
  Joi.array()
    .items(
      Joi.object({
        reason: Joi.string().trim().min(1).max(60).required(),
        plants: Joi.number().integer().min(1).max(1_000_000).required(),
      }),
    )
    .unique("reason")
    .max(40),
);

/** Done, on a day, with how many where they are counted. */
const doIt = command(
  "deed.done",
  {
    ...which,
    on: day("Done on").optional(),
    counted: deed.columns.counted,
    storedIn: text("Stored in", 60),
    sex: stand.columns.firstSex,
    males: stand.columns.males,
    females: stand.columns.females,
    crates: stand.columns.crates,
    spare: stand.columns.spare,
    overwinter: stand.columns.overwinter,
    bedId: stand.columns.bedId,
    looked: deed.columns.looked,
    byWhom: deed.columns.byWhom,
    found: FOUND.or([]),
  },
  (context, { standId, act, on, found: kinds, ...told }) => {
    const removed = kinds.reduce((sum, { plants }) => sum + plants, 0);
    const counted = kinds.length > 0 ? removed : told.counted;
    const day = on ?? context.today;
    const { id, before } = carryOutTold(context, standId, act, day, { ...told, counted });
    for (const kind of kinds) context.write.insert(found, { deedId: id, ...kind });
    const many = counted === null ? "" : `, ${counted}`;
    const message = `${before.code} ${before.lineName}: ${DONE_WORDS[act]} ${dayInWords(day)}${many}`;
    return { message, id, warnings: failedIn(context, act, counted, before) };
  },
);

/** Pieces of work of one act at once. */
const MOST = 200;

/** One act in one place, done with several plantings on one walk: each with its count, where they are counted. */
const doTogether = command(
  "deed.done-together",
  {
    act: choice("What", ACTS),
    on: day("Done on").optional(),
    /** Of what is planted out, the bed. */
    bedId: stand.columns.bedId,
    works: given<{ standId: Id; counted?: number | null; looked?: number | null }[]>(
      "Plantings",
      Joi.array()
        .items(
          Joi.object({
            standId: idOf().required(),
            counted: Joi.number().integer().min(0).max(1_000_000).allow(null).label("How many"),
            looked: Joi.number().integer().min(1).max(1_000_000).allow(null).label("Plants looked at"),
          }),
        )
        .unique("standId")
        .min(1)
        .max(MOST),
    ),
  },
  (context, { act, on, works, bedId }) => {
    const day = on ?? context.today;
    const ids = works.map(({ standId, counted = null, looked = null }) =>
      carryOut(context, standId, act, day, counted, { looked, bedId }),
    );
    return { message: `${plural(works.length, "planting")}: ${DONE_WORDS[act]} ${dayInWords(day)}`, ids };
  },
);

/** What a task is of: an act on plantings, or something else that is asked. */
const tasks = {
  standIds: given<Id[]>("Plantings", idList(MOST)).or([]),
  ...deed.adding(...OF_ELSE),
  act: deed.columns.act,
};

/** What is asked of that is no planting, by its name. */
const ELSE: Record<(typeof OF_ELSE)[number], (context: Context, id: Id) => string | undefined> = {
  lineId: ({ write }, id) => write.read(line, id)?.name,
  sourceId: ({ write }, id) => write.read(source, id)?.name,
  storeId: ({ write }, id) => write.read(store, id)?.name,
  testId: ({ write }, id) => write.read(test, id) && "The test",
};

type Sought = ToldFields<typeof tasks>;
type Of = Partial<Pick<Deed, "standId" | (typeof OF_ELSE)[number]>>;

/** Of what a deed is written down, each, and what a message calls them. */
function taskOf(context: Context, { standIds, act: _, ...others }: Sought): { each: Of[]; called: string } {
  const stands = standIds.map((standId) => livingStand(context, standId));
  const other = OF_ELSE.find((column) => others[column]);
  if (stands.length > 0 || !other) {
    if (stands.length === 0) refuse("standIds", "Say what it is of.");
    const [first] = stands as [StandRow, ...StandRow[]];
    const called = stands.length === 1 ? `${first.code} ${first.lineName}` : plural(stands.length, "planting");
    return { each: stands.map(({ id }) => ({ standId: id })), called };
  }
  const called = ELSE[other](context, others[other]!) ?? refuse(other, "That is not there any more.");
  return { each: [{ [other]: others[other]! }], called };
}

const putOff = command("deed.put-off", { ...tasks, until: day("Until") }, (context, { until, ...task }) => {
  const { each, called } = taskOf(context, task);
  const ids = each.map((of) =>
    context.write.insert(deed, { ...of, act: task.act, how: "put-off", on: context.today, until }),
  );
  return { message: `${called}: put off to ${dayInWords(until)}`, ids };
});

/** Not done: this time, or never, and why. */
const leave = command(
  "deed.leave",
  { ...tasks, how: choice("How", ["cannot", "never"]), why: text("Why", 300) },
  (context, { how, why, ...task }) => {
    const { each, called } = taskOf(context, task);
    const ids = each.map((of) => context.write.insert(deed, { ...of, act: task.act, how, on: context.today, why }));
    return { message: `${called}: ${how === "never" ? "not asked again" : "left this time"}`, ids };
  },
);

/** None of some work whose last chance is past was done. */
const missed = command(
  "deed.missed",
  {
    works: given<{ standId: Id; act: Act }[]>(
      "Work",
      Joi.array()
        .items(
          Joi.object({
            standId: idOf().required(),
            act: Joi.string()
              .valid(...ACTS)
              .required(),
          }),
        )
        .min(1)
        .max(MOST),
    ),
  },
  (context, { works }) => {
    for (const { standId, act } of works) {
      livingStand(context, standId);
      context.write.insert(deed, { standId, act, how: "cannot", on: context.today, why: "missed" });
    }
    return { message: `${plural(works.length, "piece")} of work written down as missed` };
  },
);

export const deedCommands = [doIt, doTogether, putOff, leave, missed] as const;
