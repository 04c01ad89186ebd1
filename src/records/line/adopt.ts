import Joi from "joi";
import { yearsLater } from "@/core/calendar/day";
import { plural } from "@/core/units/plural";
import { refuse } from "@/db/ops";
import { nextCode } from "../code";
import { command } from "../command";
import { day, given, ref, whole } from "../record";
import { seasonOfFlowering } from "../stand/commands";
import { forecaster } from "../stand/forecast";
import { stand } from "../stand/stand";
import { task } from "../task/task";
import { lineById } from "./queries";

/** One season of a plan: what stands, and what is done with it. */
export type SeasonOfPlan = { generation: number | null; plants: number; title: string };

const seasons = given<SeasonOfPlan[]>(
  "Seasons",
  Joi.array()
    .items(
      Joi.object({
        generation: Joi.number().integer().min(1).max(40).allow(null).required(),
        plants: Joi.number().integer().min(1).max(100_000).required(),
        title: Joi.string().trim().min(1).max(120).required(),
      }),
    )
    .min(1)
    .max(20),
);

/** A way of breeding is taken: a sowing for each coming season, and what is to be done with it as a task of its summer. */
export const adoptPlan = command(
  "line.adopt",
  { lineId: ref("line", "Line"), sown: day("First sown on"), every: whole("Years for each", 1, 3).or(1), seasons },
  (context, { lineId, sown, every, seasons: list }) => {
    const { db, write, today } = context;
    const line = lineById(db, lineId) ?? refuse("lineId", "That line does not exist.");
    if (sown <= today) refuse("sown", "The first sowing is still to come.");
    const forecast = forecaster(db, today);
    const codes = list.map(({ generation, plants, title }, i) => {
      const on = yearsLater(sown, i * every);
      const about = { lineId, sown: on, plantedOut: null, overwinter: null, firstFlower: null } as const;
      const flowers = forecast.of({ ...about, species: line.species });
      const season = seasonOfFlowering(context, flowers);
      const code = nextCode(context, "family", season);
      write.insert(stand, { code, lineId, sown: on, season, generation, planned: 1, family: 1, wanted: plants });
      write.insert(task, {
        title: `${line.name}: ${title}`.slice(0, 120),
        due: flowers.start,
        note: `${code}, as planned`,
      });
      return code;
    });
    return { message: `${line.name}: ${plural(list.length, "season")} planned, ${codes[0]} first`, ids: [] };
  },
);
