import { choice, day, json, name, type Row, real, record, ref, text, whole } from "../record";

/** What the plants of a line are scored on. */
export const yardstick = record(
  "yardstick",
  {
    lineId: ref("line", "Line"),
    position: whole("Position", 0, 10_000),
    name: name("Name", 60),
    kind: choice("Kind", ["number", "scale", "category", "yes-no", "date"]),
    unit: text("Unit", 20),
    lowEnd: text("1 means", 60),
    highEnd: text("9 means", 60),
    /** JSON list of words, for a category. */
    categories: json("Words").or("[]"),
    wanted: choice("Wanted", ["high", "low", "target", "category", "yes", "no"]),
    target: real("Target", { least: -1e9, most: 1e9 }).optional(),
    targetWord: text("Wanted word", 60).optional(),
    weight: real("Weight", { least: 0, most: 10 }).or(1),
    retiredOn: day("Retired on").optional(),
  },
  { same: ["lineId", "name", "kind"], together: ["wanted", "target", "targetWord"] },
);
export type Yardstick = Row<typeof yardstick>;
