import { refuse } from "@/db/ops";
import { command } from "../command";
import { lineById } from "../line/queries";
import { ref, seen, text } from "../record";
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

export const yardstickCommands = [addYardstick, weighYardstick] as const;
