import Joi from "joi";
import { speciesById } from "@/catalogue/catalogue";
import { usualYardsticks } from "@/catalogue/yardsticks";
import type { Id } from "@/core/custody/id";
import { kindOf } from "@/core/traits/kinds";
import { plural } from "@/core/units/plural";
import { refuse } from "@/db/ops";
import { type Context, command } from "../command";
import { lineById } from "../line/queries";
import { given, type New, type Patch, ref, seen, text, yesNo } from "../record";
import { idOf, words as wordsOf } from "../schema";
import { isScored } from "../score/queries";
import { hasYardstick, nextPosition, yardstickById } from "./queries";
import { type Yardstick, yardstick } from "./yardstick";

/** Words of a category as typed: commas or lines between them. */
const words = (typed: string) => [
  ...new Set(
    typed
      .split(/[,\n]/)
      .map((w) => w.trim())
      .filter(Boolean),
  ),
];

const existing = ({ db }: Pick<Context, "db">, id: Id): Yardstick =>
  yardstickById(db, id) ?? refuse("id", "That yardstick does not exist.");

const AIM = [
  "wanted",
  "target",
  "targetWord",
  "low",
  "high",
  "floor",
  "ceiling",
  "must",
  "weight",
  "inherited",
] as const;

/** What is wanted leaves no figures behind that belong to another wish. */
function wishOf(aim: Patch<typeof yardstick>): Patch<typeof yardstick> {
  const { wanted } = aim;
  if (wanted === undefined) return aim;
  return {
    ...aim,
    target: wanted === "target" ? aim.target : null,
    low: wanted === "range" ? aim.low : null,
    high: wanted === "range" ? aim.high : null,
    targetWord: wanted === "category" ? aim.targetWord : null,
  };
}

const addYardstick = command(
  "yardstick.add",
  {
    ...yardstick.adding(
      "lineId",
      "name",
      "kind",
      "unit",
      "lowEnd",
      "highEnd",
      "stage",
      "often",
      "drawn",
      "ofId",
      "byId",
      ...AIM,
    ),
    categories: text("Words", 500),
  },
  ({ db, write }, { categories, ...input }) => {
    if (!lineById(db, input.lineId)) refuse("lineId", "That line does not exist.");
    const id = write.insert(yardstick, {
      ...input,
      ...wishOf(input),
      position: nextPosition(db, input.lineId),
      categories: JSON.stringify(words(categories)),
    } as New<typeof yardstick>);
    return { message: `Yardstick ${input.name} added`, id };
  },
);

/** What a score means by: where it changes, what was scored before was scored on another yardstick. */
const MEANING = ["unit", "lowEnd", "highEnd", "often", "ofId", "byId"] as const;

const otherWords = (before: Yardstick, next: Patch<typeof yardstick>): boolean => {
  if (next.categories === undefined) return false;
  const kept = new Set(JSON.parse(next.categories) as string[]);
  // A further word takes nothing from what was said with the others.
  return (JSON.parse(before.categories) as string[]).some((word) => !kept.has(word));
};

/**
 * Another name, time or drawing is the same yardstick. Another unit, other ends or words are another one once it was scored
 * on: it takes the place of the version before, which keeps its scores.
 */
const changeYardstick = command(
  "yardstick.change",
  {
    id: ref("yardstick", "Yardstick"),
    version: seen(),
    ...yardstick.patching("name", "unit", "lowEnd", "highEnd", "stage", "often", "drawn", "ofId", "byId"),
    categories: text("Words", 500).kept(),
  },
  (context, { id, version, categories, ...told }) => {
    const { db, write, today } = context;
    const before = existing(context, id);
    const patch: Patch<typeof yardstick> = {
      ...told,
      ...(categories === undefined ? {} : { categories: JSON.stringify(words(categories)) }),
    };
    const another =
      MEANING.some((column) => patch[column] !== undefined && patch[column] !== before[column]) ||
      otherWords(before, patch);
    if (!another || !isScored(db, id)) {
      write.update(yardstick, id, patch, version);
      return { message: `Yardstick ${patch.name ?? before.name} changed`, id };
    }
    write.update(yardstick, id, { retiredOn: today }, version);
    const { id: _, version: __, ...columns } = before;
    const next = write.insert(yardstick, { ...columns, ...patch, formerId: id, retiredOn: null });
    return {
      message: `Yardstick ${patch.name ?? before.name} begins anew; what was scored before stays with the version before`,
      id: next,
    };
  },
);

const aimYardstick = command(
  "yardstick.aim",
  { id: ref("yardstick", "Yardstick"), version: seen(), ...yardstick.patching(...AIM) },
  (context, { id, version, ...aim }) => {
    const before = existing(context, id);
    const whole = { ...before, ...aim };
    context.write.update(
      yardstick,
      id,
      aim.wanted === undefined
        ? aim
        : wishOf({
            ...aim,
            target: whole.target,
            targetWord: whole.targetWord,
            low: whole.low,
            high: whole.high,
          }),
      version,
    );
    const { name, weight } = context.write.read(yardstick, id)!;
    return { message: `${name}: what is wanted is kept, weight ${weight}`, id };
  },
);

type Weighed = { id: Id; weight: number };
const WEIGHTS = given<Weighed[]>(
  "Weights",
  Joi.array()
    .items(Joi.object({ id: idOf().required(), weight: Joi.number().min(0).max(10).required() }))
    .min(1)
    .max(100)
    .unique("id"),
);

/** Several weights at once, as comparing pairs gave them. */
const weighYardsticks = command("yardstick.weigh", { weights: WEIGHTS }, (context, { weights }) => {
  for (const { id, weight } of weights) {
    existing(context, id);
    context.write.update(yardstick, id, { weight });
  }
  return { message: `${plural(weights.length, "yardstick")} weighed anew`, ids: weights.map(({ id }) => id) };
});

const USUAL = given<string[]>("Yardsticks", Joi.array().items(wordsOf(60)).max(60).unique());
const OWN = given<Id[]>("Yardsticks", Joi.array().items(idOf()).max(60).unique());

/** Yardsticks taken over: usual ones of its species by name, and those of other lines as they stand there. */
const takeYardsticks = command(
  "yardstick.take",
  { lineId: ref("line", "Line"), usual: USUAL, own: OWN },
  (context, { lineId, usual, own }) => {
    const { db, write } = context;
    const line = lineById(db, lineId) ?? refuse("lineId", "That line does not exist.");
    const known = usualYardsticks(speciesById(line.species));
    const taken: New<typeof yardstick>[] = [];
    const add = (one: Omit<New<typeof yardstick>, "lineId" | "position">) =>
      taken.push({ ...one, lineId, position: nextPosition(db, lineId) + taken.length });
    for (const name of usual) {
      const { categories = [], ...found } =
        known.find((one) => one.name === name) ?? refuse("usual", `${name} is none of the usual ones.`);
      add({ ...found, categories: JSON.stringify(categories) });
    }
    const copied = own.map((id) => yardstickById(db, id) ?? refuse("own", "That yardstick does not exist."));
    if (taken.length + copied.length === 0) refuse("usual", "Choose at least one.");
    for (const { id: _, version: __, lineId: from, ...columns } of copied) {
      if (kindOf(columns).computed)
        refuse("own", `${columns.name} is reckoned of two others: take those, and make it anew.`);
      if (from === lineId) refuse("own", `${columns.name} is this line's already.`);
      add({ ...columns, formerId: null, retiredOn: null });
    }
    const twice = taken.find(({ name }) => hasYardstick(db, lineId, name as string, ""));
    if (twice) refuse("usual", `${line.name} has a yardstick ${twice.name} already.`);
    const ids = taken.map((one) => write.insert(yardstick, one));
    return { message: `${plural(ids.length, "yardstick")} for ${line.name}`, ids };
  },
);

/** Not scored on any more, or again; its scores stay. */
const retireYardstick = command(
  "yardstick.retire",
  { id: ref("yardstick", "Yardstick"), version: seen(), again: yesNo("Use it again") },
  (context, { id, version, again }) => {
    const before = existing(context, id);
    context.write.update(yardstick, id, { retiredOn: again ? null : context.today }, version);
    return { message: `${before.name} ${again ? "is used again" : "is not used any more; its scores stay"}`, id };
  },
);

export const yardstickCommands = [
  addYardstick,
  changeYardstick,
  aimYardstick,
  weighYardsticks,
  takeYardsticks,
  retireYardstick,
] as const;
