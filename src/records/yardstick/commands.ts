import { refuse } from "@/db/ops";
import { command } from "../command";
import { lineById } from "../line/queries";
import { ref, seen, text, yesNo } from "../record";
import { nextPosition } from "./queries";
import { yardstick } from "./yardstick";

/** Words of a category as typed: commas or lines between them. */
const words = (typed: string) => [
  ...new Set(
    typed
      .split(/[,\n]/)
      .map((w) => w.trim())
      .filter(Boolean),
  ),
];

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
      "wanted",
      "target",
      "targetWord",
      "weight",
    ),
    categories: text("Words", 500),
  },
  ({ db, write }, { categories, ...input }) => {
    if (!lineById(db, input.lineId)) refuse("lineId", "That line does not exist.");
    const id = write.insert(yardstick, {
      ...input,
      position: nextPosition(db, input.lineId),
      categories: JSON.stringify(words(categories)),
      target: input.wanted === "target" ? input.target : null,
      targetWord: input.kind === "category" ? input.targetWord : null,
    });
    return { message: `Yardstick ${input.name} added`, id };
  },
);

const weighYardstick = command(
  "yardstick.weigh",
  { id: ref("yardstick", "Yardstick"), version: seen(), weight: yardstick.columns.weight },
  ({ write }, { id, version, weight }) => {
    write.update(yardstick, id, { weight }, version);
    return { message: `${write.read(yardstick, id)!.name} weighs ${weight}`, id };
  },
);

/** Not scored on any more, or again; its scores stay. */
const retireYardstick = command(
  "yardstick.retire",
  { id: ref("yardstick", "Yardstick"), version: seen(), again: yesNo("Use it again") },
  ({ write, today }, { id, version, again }) => {
    const before = write.read(yardstick, id) ?? refuse("id", "That yardstick does not exist.");
    write.update(yardstick, id, { retiredOn: again ? null : today }, version);
    return { message: `${before.name} ${again ? "is used again" : "is not used any more; its scores stay"}`, id };
  },
);

export const yardstickCommands = [addYardstick, weighYardstick, retireYardstick] as const;
