import Joi from "joi";
import type { Id } from "@/core/custody/id";
import { GUARDS, PLAN_WAYS, type PlannedGeneration, type PlanWay } from "@/core/plans/linePlan";
import { PLAN_ACTS } from "@/core/plans/schemes";
import { plural } from "@/core/units/plural";
import { Refusal, refuse } from "@/db/ops";
import { type Context, command } from "../command";
import { line } from "../line/line";
import { choice, given, ref, seen } from "../record";
import { idList } from "../schema";
import { plan } from "./plan";
import { planOfLine } from "./queries";

/** So many generations a plan holds at most. */
const MOST = 30;

const counted = (most: number) => Joi.number().integer().min(1).max(most);

/** Generations of a plan, as a caller sends them. */
export const generations = (more: Joi.PartialSchemaMap = {}) =>
  Joi.array()
    .items(
      Joi.object({
        generation: counted(40).allow(null).required(),
        season: Joi.number().integer().min(1900).max(2200).required(),
        act: Joi.valid(...PLAN_ACTS).required(),
        plants: counted(100_000).required(),
        mothers: counted(1000).required(),
        kept: counted(100_000).required(),
        guard: Joi.valid(...GUARDS).required(),
        ...more,
      }),
    )
    .min(1)
    .max(MOST);

export const wayField = choice("Way of breeding", PLAN_WAYS);

/** Writes a line's plan: what was planned from its first season on goes, what is behind stays. */
export function writePlan({ db, write }: Context, lineId: Id, way: PlanWay, list: PlannedGeneration[]): number {
  const from = Math.min(...list.map(({ season }) => season));
  const before = planOfLine(db, lineId).filter(({ season }) => season >= from);
  for (const { id } of before) write.remove(plan, id);
  for (const { generation, season, act, plants, mothers, kept, guard } of list)
    write.insert(plan, { lineId, generation, season, act, plants, mothers, kept, guard });
  write.update(line, lineId, { way });
  return before.length;
}

function goingLine({ write }: Context, id: Id) {
  const found = write.read(line, id);
  if (!found) throw new Refusal("That line does not exist.");
  if (found.endedOn) refuse("lineId", `${found.name} has ended: bring it back first.`);
  return found;
}

/** Refuses what rests on a plan that is another one by now. */
function sameAsSeen({ db }: Context, lineId: Id, replaces: Id[]): void {
  const now = new Set(planOfLine(db, lineId).map(({ id }) => id));
  if (replaces.length !== now.size || replaces.some((id) => !now.has(id)))
    throw new Refusal(
      "The plan was changed meanwhile, on another device or in another tab. Look at it as it is now, then change it.",
    );
}

/** A line's plan from here on, as its grower wants it. */
const takePlan = command(
  "plan.take",
  {
    lineId: ref("line", "Line"),
    way: wayField,
    generations: given<PlannedGeneration[]>("Generations", generations()),
    /** The generations of the plan that it takes the place of. */
    replaces: given<Id[]>("Plan seen", idList(MOST * 3)).or([]),
  },
  (context, { lineId, way, generations: list, replaces }) => {
    const { name, code } = goingLine(context, lineId);
    sameAsSeen(context, lineId, replaces);
    const gone = writePlan(context, lineId, way, list);
    const instead = gone > 0 ? `, in place of ${plural(gone, "season")} planned before` : "";
    return { message: `${name}: ${plural(list.length, "season")} planned${instead}`, id: lineId, code };
  },
);

/** One generation of a plan that was made. */
const changePlan = command(
  "plan.change",
  { id: ref("plan", "Generation"), version: seen(), ...plan.patching("season", "plants", "mothers", "kept", "guard") },
  (context, { id, version, ...patch }) => {
    const before = context.write.read(plan, id);
    if (!before) throw new Refusal("That generation is not in the plan any more.");
    const { name, code } = goingLine(context, before.lineId);
    context.write.update(plan, id, patch, version);
    return { message: `Plan of ${name} changed`, id, code };
  },
);

/** Back to how a line of its kind usually goes on. */
const dropPlan = command("plan.drop", { lineId: ref("line", "Line") }, (context, { lineId }) => {
  const { name, code, way } = goingLine(context, lineId);
  const list = planOfLine(context.db, lineId);
  if (list.length === 0 && way === null) refuse("lineId", `${name} goes on as usual already.`);
  for (const { id } of list) context.write.remove(plan, id);
  context.write.update(line, lineId, { way: null });
  return { message: `${name} goes on as usual`, id: lineId, code };
});

export const planCommands = [takePlan, changePlan, dropPlan] as const;
