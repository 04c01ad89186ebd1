import Joi from "joi";
import { daysBetween, isDay } from "@/core/calendar/day";
import { removal } from "@/core/selection/roguing";
import { refuse } from "@/db/journal";
import { type Context, command } from "../command";
import { day, id, note } from "../fields";
import type { YardstickRow } from "../line/queries";
import { yardsticks } from "../line/queries";
import { existingStand } from "../stand/commands";
import { forecaster } from "../stand/forecast";
import { type Mark, type Plant, plantById } from "./queries";

function existingPlant({ db }: Pick<Context, "db">, plant: number): Plant {
  return plantById(db, plant) ?? refuse("id", "That plant does not exist.");
}

type MarkPlant = { id: number; mark: Mark; reason: string };

const markPlant = command<MarkPlant>({
  name: "plant.mark",
  schema: Joi.object<MarkPlant>({
    id: id().required(),
    mark: Joi.string().valid("none", "keep", "seed-parent", "watch", "out").required().label("Mark"),
    reason: note("Reason"),
  }),
  run(context, { id: plantId, mark, reason }) {
    const plant = existingPlant(context, plantId);
    if (plant.removedOn) refuse("mark", `Plant ${plant.number} was taken out on ${plant.removedOn}.`);
    if (mark === "out" && !reason) refuse("reason", "Say why it goes out: it is learned from later.");
    context.write.update("plant", plantId, { mark, reason });
    const stand = existingStand(context, plant.standId, "id");
    return { message: `${stand.code} plant ${plant.number}: ${mark.replace("-", " ")}`, id: plantId };
  },
});

type RemovePlants = { ids: number[]; on?: string; reason?: string };

const removePlants = command<RemovePlants>({
  name: "plant.remove",
  schema: Joi.object<RemovePlants>({
    ids: Joi.array().items(id()).min(1).max(2000).unique().required().label("Plants"),
    on: day("Day"),
    reason: Joi.string().trim().max(500).label("Reason"),
  }),
  run(context, { ids, on = context.today, reason }) {
    if (on > context.today) refuse("on", "That day is still to come.");
    const late: number[] = [];
    const sky = forecaster(context.db);
    const stands = new Map<number, ReturnType<typeof existingStand>>();
    for (const plantId of ids) {
      const plant = existingPlant(context, plantId);
      if (plant.removedOn) refuse("ids", `Plant ${plant.number} was taken out on ${plant.removedOn} already.`);
      const why = reason || plant.reason;
      if (!why) refuse("reason", "Say why it goes out: it is learned from later.");
      const stand = stands.get(plant.standId) ?? existingStand(context, plant.standId, "ids");
      stands.set(stand.id, stand);
      if (on < stand.sown) refuse("on", `${stand.code} was sown on ${stand.sown}, after that day.`);
      const window = sky.of(stand);
      if (removal(on, window.start).late) late.push(plant.number);
      context.write.update("plant", plantId, { mark: "out", reason: why, removedOn: on });
    }
    const codes = [...stands.values()].map((s) => s.code).join(", ");
    return {
      message: `${ids.length} ${ids.length === 1 ? "plant" : "plants"} taken out of ${codes}`,
      ids,
      warnings: late.length
        ? [
            `After first flower: the pollen of ${late.length === 1 ? `plant ${late[0]}` : `${late.length} plants`} may already be in the neighbours' seed.`,
          ]
        : [],
    };
  },
});

type SetScore = { plantId: number; yardstickId: number; value: string | null };
type Value = { number: number | null; word: string | null };

/** A typed score as it is kept. A day becomes days from sowing. */
function readScore(yardstick: YardstickRow, typed: string, sown: string, today: string): Value {
  const text = typed.trim();
  const asNumber = (low: number, high: number, whole: boolean): Value => {
    const number = Number(text.replace(",", "."));
    if (!Number.isFinite(number) || number < low || number > high || (whole && !Number.isInteger(number)))
      return refuse("value", `${yardstick.name} takes a ${whole ? "whole number" : "number"} from ${low} to ${high}.`);
    return { number, word: null };
  };
  switch (yardstick.kind) {
    case "scale":
      return asNumber(1, 9, true);
    case "number":
      return asNumber(-1_000_000, 1_000_000, false);
    case "yes-no":
      if (/^(y|yes|1)$/i.test(text)) return { number: 1, word: null };
      if (/^(n|no|0)$/i.test(text)) return { number: 0, word: null };
      return refuse("value", `${yardstick.name} takes y or n.`);
    case "date": {
      if (/^\d{1,3}$/.test(text)) return asNumber(0, 999, true);
      if (!isDay(text)) return refuse("value", `${yardstick.name} takes a day as 2027-07-09, or days from sowing.`);
      if (text < sown || text > today) return refuse("value", "That day is before sowing or still to come.");
      return { number: daysBetween(sown, text), word: null };
    }
    default: {
      const words = JSON.parse(yardstick.categories) as string[];
      const fits = words.filter((w) => w.toLowerCase().startsWith(text.toLowerCase()));
      const word =
        words.find((w) => w.toLowerCase() === text.toLowerCase()) ?? (fits.length === 1 ? fits[0] : undefined);
      return word ? { number: null, word } : refuse("value", `${yardstick.name} takes one of: ${words.join(", ")}.`);
    }
  }
}

const setScore = command<SetScore>({
  name: "score.set",
  schema: Joi.object<SetScore>({
    plantId: id().required(),
    yardstickId: id().required(),
    value: Joi.string().max(60).allow("", null).default(null).label("Score"),
  }),
  run(context, { plantId, yardstickId, value }) {
    const { db, write, today } = context;
    const plant = existingPlant(context, plantId);
    const stand = existingStand(context, plant.standId, "plantId");
    const yardstick =
      yardsticks(db, stand.lineId).find((y) => y.id === yardstickId) ??
      refuse("yardstickId", "That yardstick does not belong to this plant's line.");
    const known = db
      .prepare("SELECT id FROM score WHERE plantId = ? AND yardstickId = ?")
      .pluck()
      .get(plantId, yardstickId) as number | undefined;
    const where = `${stand.code} plant ${plant.number}, ${yardstick.name}`;
    if (!value?.trim()) {
      if (known) write.remove("score", known);
      return { message: `${where}: cleared` };
    }
    const read = readScore(yardstick, value, stand.sown, today);
    if (known) write.update("score", known, { ...read, scoredOn: today });
    else write.insert("score", { plantId, yardstickId, ...read, scoredOn: today });
    return { message: `${where}: ${value.trim()}` };
  },
});

export const plantCommands = [markPlant, removePlants, setScore];
