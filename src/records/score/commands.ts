import { type Day, dayInWords } from "@/core/calendar/day";
import { kindOf } from "@/core/traits/kinds";
import type { ScoreValue } from "@/core/traits/trait";
import { Refusal, refuse } from "@/db/ops";
import { command } from "../command";
import { yardsticks } from "../line/queries";
import { plantById } from "../plant/queries";
import { ref, seen, text, yesNo } from "../record";
import { existingStand } from "../stand/commands";
import type { Yardstick } from "../yardstick/yardstick";
import { lastScore } from "./queries";
import { score } from "./score";

/** A typed score as it is kept. @throws Refusal for what can't be read, or read in two ways */
function readScore(yardstick: Yardstick, typed: string, sown: Day, today: Day): ScoreValue {
  const kind = kindOf(yardstick);
  if (kind.computed) refuse("yardstickId", `${yardstick.name} is reckoned of two others; score those.`);
  const categories = JSON.parse(yardstick.categories) as string[];
  const read = kind.read(typed.trim(), { unit: yardstick.unit, categories, sown, today });
  if ("value" in read) return read.value;
  return refuse("value", "why" in read ? read.why : `${yardstick.name} takes ${read.takes}.`);
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
