import Joi from "joi";
import { type Day, yearsLater } from "@/core/calendar/day";
import { nextGeneration } from "@/core/custody/generation";
import { CROSSING_ACTS, PLAN_ACTS, type PlanStep } from "@/core/plans/schemes";
import { plural } from "@/core/units/plural";
import { refuse } from "@/db/ops";
import { nextCode } from "../code";
import { type Context, command } from "../command";
import { planOne, usualPlan } from "../cross/plan";
import { offspringLine } from "../cross/planParts";
import { choice, day, given, ref, whole, yesNo } from "../record";
import { existingStand, seasonOfFlowering } from "../stand/commands";
import { type Forecaster, forecaster } from "../stand/forecast";
import { type StandRow, standsOfLine, standsOfSeason } from "../stand/queries";
import { stand } from "../stand/stand";
import { task } from "../task/task";
import type { Line } from "./line";
import { lineById, lineOfParents } from "./queries";

/** One season of a plan: how many plants stand, and what is done with them. */
export type SeasonOfPlan = Pick<PlanStep, "act" | "plants" | "hands"> & { title: string };

const seasons = given<SeasonOfPlan[]>(
  "Seasons",
  Joi.array()
    .items(
      Joi.object({
        act: Joi.valid(...PLAN_ACTS).required(),
        plants: Joi.number().integer().min(1).max(100_000).required(),
        hands: Joi.number().integer().min(0).max(1000).required(),
        title: Joi.string().trim().min(1).max(120).required(),
      }),
    )
    .min(1)
    .max(20),
);

/** Plants of a parent beside those that it is crossed with. */
const OF_A_PARENT = 4;

const asParent = ({ id, name, species }: Line) => ({ lineId: id, lineName: name, species });

/** A way of breeding as it comes to stand in the garden's records, sowing by sowing. */
class Adopting {
  readonly codes: string[] = [];
  readonly warnings = new Set<string>();
  private readonly sky: Forecaster;

  constructor(private readonly context: Context) {
    this.sky = forecaster(context.db, context.today);
  }

  line(id: string | null, field: string, missing: string): Line {
    return (id && lineById(this.context.db, id)) || refuse(field, missing);
  }

  /** A sowing that is planned, and when it is to flower. */
  sow({ id: lineId, species }: Line, sown: Day, wanted: number, more: { generation: number | null; family: 0 | 1 }) {
    const { write } = this.context;
    const flowers = this.sky.of({ species, lineId, sown, plantedOut: null, overwinter: null, firstFlower: null });
    const season = seasonOfFlowering(this.context, flowers);
    const code = nextCode(this.context, more.family ? "family" : "stand", season);
    this.codes.push(code);
    const id = write.insert(stand, { code, lineId, sown, season, planned: 1, wanted, ...more });
    return { id, code, season, flowers: flowers.start };
  }

  /** A parent's own plants of a season: those that are to stand there anyhow, or a sowing of a few. */
  parent(line: Line, sown: Day, season: number): StandRow {
    const { db } = this.context;
    const there = standsOfSeason(db, season).find(({ lineId, endedOn }) => lineId === line.id && endedOn === null);
    if (there) return there;
    const generation = standsOfLine(db, line.id)[0]?.generation ?? null;
    return existingStand(this.context, this.sow(line, sown, OF_A_PARENT, { generation, family: 0 }).id, "seasons");
  }

  /** The line that seed of a line crossed with another belongs to. */
  offspring(mother: Line, father: Line): Line {
    const { db } = this.context;
    const name = lineOfParents(db, mother.id, father.id) ? null : `${mother.name} × ${father.name}`.slice(0, 120);
    return lineById(db, offspringLine(this.context, asParent(mother), [asParent(father)], name))!;
  }

  /** The season's cross, of a stand with a father or among its own plants. */
  cross(motherId: string, father: StandRow | null, { hands, title }: SeasonOfPlan): void {
    const mother = existingStand(this.context, motherId, "seasons");
    const planned = planOne(
      this.context,
      this.sky,
      {
        ...usualPlan(mother.species),
        motherStandId: mother.id,
        fatherStandId: (father ?? mother).id,
        fruitsWanted: Math.max(1, hands),
      },
      title,
    );
    for (const warning of planned.warnings ?? []) this.warnings.add(warning);
  }

  task(title: string, due: Day, code: string): void {
    this.context.write.insert(task, { title: title.slice(0, 120), due, note: `${code}, as planned` });
  }
}

/**
 * A way of breeding is taken: a sowing for each coming season, with the parents it is crossed with; the crosses by hand as
 * planned crosses, the lines that come of them among the lines, and what else is to be done as a task of its summer.
 */
export const adoptPlan = command(
  "line.adopt",
  {
    lineId: ref("line", "Line"),
    sown: day("First sown on"),
    every: whole("Years for each", 1, 3).or(1),
    /** The generation of the first season. */
    generation: whole("Generation", 1, 40).optional(),
    /** Whom it is crossed with, where the plan begins with that. */
    otherId: ref("line", "The other parent").optional(),
    /** Of a backcross: the mother of the cross, or its father. */
    back: choice("Recurrent parent", ["mother", "father"]).or("mother"),
    /** The first season's plants come of this line crossed back. */
    crossedBack: yesNo("Crossed back before"),
    seasons,
  },
  (context, told) => {
    const { sown, every, otherId, back, seasons: list } = told;
    const plan = new Adopting(context);
    const first = plan.line(told.lineId, "lineId", "That line does not exist.");
    if (sown <= context.today) refuse("sown", "The first sowing is still to come.");
    const begins = list[0]!.act === "cross";
    const other = begins ? plan.line(otherId, "otherId", "Choose the line it is crossed with.") : null;
    if (other?.id === first.id) refuse("otherId", "Choose another line.");
    const comesBack = () => {
      const id = begins ? (back === "mother" ? first : other!).id : first[`${back}LineId`];
      return plan.line(id, "back", "The recurrent parent is not on record.");
    };
    let line = told.crossedBack ? plan.offspring(first, comesBack()) : first;
    let generation = told.generation;
    list.forEach((season, i) => {
      const on = yearsLater(sown, i * every);
      const { act, plants, title } = season;
      const crossed = CROSSING_ACTS.has(act);
      const wanted = act === "cross" ? OF_A_PARENT : plants;
      const {
        id,
        code,
        season: of,
        flowers,
      } = plan.sow(line, on, wanted, { generation, family: act === "cross" ? 0 : 1 });
      if (act === "pair") plan.cross(id, null, season);
      if (!crossed) plan.task(`${line.name}: ${title}`, flowers, code);
      if (act === "cross" || act === "backcross") {
        const father = act === "cross" ? other! : comesBack();
        const next = plan.offspring(line, father);
        plan.cross(id, plan.parent(father, on, of), season);
        line = next;
        generation = 1;
      } else generation = nextGeneration("self", generation, generation);
    });
    const { codes, warnings } = plan;
    return {
      message: `${first.name}: ${plural(list.length, "season")} planned, ${codes[0]} first`,
      ids: [],
      warnings: [...warnings],
    };
  },
);
