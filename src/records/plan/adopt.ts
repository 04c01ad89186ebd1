import Joi from "joi";
import type { Day } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import type { PlannedOn } from "@/core/plans/linePlan";
import { plural } from "@/core/units/plural";
import { refuse } from "@/db/ops";
import { nextCode } from "../code";
import { type Context, command } from "../command";
import { planOne, usualPlan } from "../cross/plan";
import { offspringLine } from "../cross/planParts";
import type { Line } from "../line/line";
import { backcrossesOf, lineById, lineOfParents } from "../line/queries";
import { choice, day, given, ref } from "../record";
import { existingStand, seasonOfFlowering } from "../stand/commands";
import { type Forecaster, forecaster } from "../stand/forecast";
import { type StandRow, standsOfLine, standsOfSeason } from "../stand/queries";
import { stand } from "../stand/stand";
import { generations, wayField, writePlan } from "./commands";

/** Plants of a parent that is crossed. */
const OF_A_PARENT = 4;

const asParent = ({ id, name, species }: Line) => ({ lineId: id, lineName: name, species });

/** A parent's own plants of a season: those that are to stand there anyhow, or a sowing of a few. */
function parentOf(context: Context, sky: Forecaster, line: Line, sown: Day): StandRow {
  const { db, write } = context;
  const { id: lineId, species } = line;
  const season = seasonOfFlowering(
    context,
    sky.of({ species, lineId, sown, plantedOut: null, overwinter: null, firstFlower: null }),
  );
  const there = standsOfSeason(db, season).find((one) => one.lineId === lineId && one.endedOn === null);
  if (there) return there;
  const generation = standsOfLine(db, lineId)[0]?.generation ?? null;
  const code = nextCode(context, "stand", season);
  const about = { code, lineId, sown, season, planned: 1, wanted: OF_A_PARENT, generation, family: 0 } as const;
  return existingStand(context, write.insert(stand, about), "sown");
}

/** The line that seed of a line crossed with another belongs to. */
function offspringOf(context: Context, mother: Line, father: Line): Line {
  const { db } = context;
  const name = lineOfParents(db, mother.id, father.id) ? null : `${mother.name} × ${father.name}`.slice(0, 120);
  return lineById(db, offspringLine(context, asParent(mother), [asParent(father)], name))!;
}

/**
 * A way of breeding is taken. Each generation stands in the plan of the line that it is of: what is crossed back is a line of its own.
 * Where it begins with a cross both parents are sown for it and the cross is planned; all that comes later is sown when its seed is there.
 */
const adoptPlan = command(
  "plan.adopt",
  {
    lineId: ref("line", "Line"),
    way: wayField,
    generations: given<PlannedOn[]>(
      "Generations",
      generations({ backcrosses: Joi.number().integer().min(0).max(40).required() }),
    ),
    /** Where it begins with a cross: with whom, and when both are sown. */
    otherId: ref("line", "The other parent").optional(),
    sown: day("Parents sown on").optional(),
    /** Of a backcross: the mother of the cross, or its father. */
    back: choice("Recurrent parent", ["mother", "father"]).or("mother"),
  },
  (context, { lineId, way, generations: list, otherId, sown, back }) => {
    const { db } = context;
    const existing = (id: Id | null, field: string, missing: string): Line =>
      (id && lineById(db, id)) || refuse(field, missing);
    const first = existing(lineId, "lineId", "That line does not exist.");
    if (first.endedOn) refuse("lineId", `${first.name} has ended: bring it back first.`);
    const begins = list[0]!.act === "cross";
    const other = begins ? existing(otherId, "otherId", "Choose the line it is crossed with.") : null;
    if (other?.id === first.id) refuse("otherId", "Choose another line.");
    const recurrent = () =>
      existing(
        begins ? (back === "mother" ? first : other!).id : first[`${back}LineId`],
        "back",
        "The recurrent parent is not on record.",
      );
    let line = first;
    let warnings: string[] = [];
    let rest = list;
    if (begins) {
      if (!sown) refuse("sown", "Say when the parents are sown.");
      if (sown! <= context.today) refuse("sown", "The first sowing is still to come.");
      const sky = forecaster(db, context.today);
      const [mother, father] = [first, other!].map((one) => parentOf(context, sky, one, sown!));
      line = offspringOf(context, first, other!);
      const usual = usualPlan(first.species);
      const cross = { ...usual, motherStandId: mother!.id, fatherStandId: father!.id, fruitsWanted: 1 };
      warnings = planOne(context, sky, cross).warnings ?? [];
      rest = list.slice(1);
    }
    for (let at = 0; at < rest.length; ) {
      const { backcrosses } = rest[at]!;
      const own = rest.slice(at).filter((one) => one.backcrosses === backcrosses);
      if (at > 0 || backcrosses > backcrossesOf(db, line.id)) line = offspringOf(context, line, recurrent());
      writePlan(context, line.id, way, own);
      at += own.length;
    }
    return {
      message: `${first.name}: ${plural(list.length, "season")} planned${line.id === first.id ? "" : `, to ${line.name}`}`,
      id: line.id,
      code: line.code,
      warnings,
    };
  },
);

export const adoptCommands = [adoptPlan] as const;
