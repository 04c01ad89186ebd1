import { dayInWords, daysBetween } from "@/core/calendar/day";
import { isUnit, readAmount } from "@/core/writing/amounts";
import { readDay } from "@/core/writing/days";
import { Refusal, refuse } from "@/db/ops";
import { command } from "../command";
import { yardsticks } from "../line/queries";
import { plantById } from "../plant/queries";
import { ref, seen, text, yesNo } from "../record";
import { existingStand } from "../stand/commands";
import type { Yardstick } from "../yardstick/yardstick";
import { lastScore } from "./queries";
import { score } from "./score";

type Value = { number: number | null; word: string | null };

/** Days from sowing, typed as such or as a day. @throws Refusal for what can't be read, or read in two ways */
function daysFromSowing(yardstick: Yardstick, text: string, sown: string, today: string): number {
  if (/^\d{1,3}$/.test(text)) return Number(text);
  const day = readDay(text, today);
  if (day.kind === "read") return daysBetween(sown, day.value);
  if (day.kind === "asked") return refuse("value", day.question);
  return refuse("value", `${yardstick.name} takes a day as 9 July or 2027-07-09, or days from sowing.`);
}

/**
 * A typed score as it is kept. A day becomes days from sowing.
 * @throws Refusal for what can't be read, or read in two ways
 */
function readScore(yardstick: Yardstick, typed: string, sown: string, today: string): Value {
  const text = typed.trim();
  const asNumber = (low: number, high: number, whole: boolean): Value => {
    const read = readAmount(text, isUnit(yardstick.unit) ? yardstick.unit : null);
    if (read.kind === "asked")
      return refuse("value", `${read.question} It may be ${read.choices.map(({ words }) => words).join(" or ")}.`);
    const number = read.kind === "read" ? read.value : Number.NaN;
    if (!(number >= low && number <= high) || (whole && !Number.isInteger(number)))
      return refuse("value", `${yardstick.name} takes a ${whole ? "whole number" : "number"} from ${low} to ${high}.`);
    return { number, word: null };
  };
  switch (yardstick.kind) {
    case "scale":
      return asNumber(1, 9, true);
    case "number":
      return asNumber(-1_000_000, 1_000_000, false);
    case "count":
      return asNumber(0, 1_000_000, true);
    case "ratio":
      return refuse("yardstickId", `${yardstick.name} is reckoned of two others; score those.`);
    case "yes-no":
      if (/^(y|yes|1)$/i.test(text)) return { number: 1, word: null };
      if (/^(n|no|0)$/i.test(text)) return { number: 0, word: null };
      return refuse("value", `${yardstick.name} takes y or n.`);
    case "date": {
      const since = daysFromSowing(yardstick, text, sown, today);
      if (since < 0 || since > daysBetween(sown, today))
        return refuse("value", "That day is before sowing or still to come.");
      return { number: since, word: null };
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

const setScore = command(
  "score.set",
  {
    plantId: ref("plant", "Plant"),
    yardstickId: ref("yardstick", "Yardstick"),
    value: text("Score", 60),
    /** The version of the last look that was seen; none where there was none. */
    version: seen().optional(),
    /** A second look, kept beside those before it. */
    again: yesNo("A second look"),
    /** It was seen without a score: one that somebody gave meanwhile is not written over. */
    unseen: yesNo("Seen without a score"),
  },
  (context, { plantId, yardstickId, value, version, again, unseen }) => {
    const { db, write, today } = context;
    const plant = plantById(db, plantId) ?? refuse("plantId", "That plant does not exist.");
    const stand = existingStand(context, plant.standId, "plantId");
    const yardstick =
      yardsticks(db, stand.lineId).find((y) => y.id === yardstickId) ??
      refuse("yardstickId", "That yardstick does not belong to this plant's line.");
    if (yardstick.retiredOn) refuse("yardstickId", `${yardstick.name} is not used any more.`);
    const last = lastScore(db, plantId, yardstickId);
    const where = `${stand.code} plant ${plant.number}, ${yardstick.name}`;
    if (!value) {
      if (last) write.remove(score, last.id, version);
      return { message: `${where}: cleared` };
    }
    // What is gone shows nothing more, but what was lifted or picked from it may still be weighed and tasted.
    const gone = plant.removedOn !== null && plant.removedOn < today;
    if (gone && !last && yardstick.stage !== "harvest" && yardstick.stage !== "store")
      refuse(
        "plantId",
        `Plant ${plant.number} was taken out on ${dayInWords(plant.removedOn!)}: nothing is left to score.`,
      );
    if (unseen && last && !again) {
      const words = `${where} was scored ${last.word ?? last.number} meanwhile; that is kept. Score it again to put yours in its place.`;
      throw new Refusal(words, { value: words }, "conflict");
    }
    const read = readScore(yardstick, value, stand.sown, today);
    // What is scored again is set right, but where a second look is meant, or looks are kept by the day.
    const corrects = last && !again && (last.scoredOn === today || yardstick.often === "once");
    const look = last?.scoredOn === today ? last.look + 1 : 1;
    if (corrects) {
      const moved = last.scoredOn === today ? {} : { scoredOn: today, look: 1 };
      write.update(score, last.id, { ...read, ...moved }, version);
    } else write.insert(score, { plantId, yardstickId, ...read, scoredOn: today, look });
    return { message: `${where}: ${value}` };
  },
);

export const scoreCommands = [setScore] as const;
