import { TRAIT_KIND_IDS } from "@/core/traits/kinds";
import { DRAWN, OFTEN, STAGES_OF_LIFE, WANTED } from "@/core/traits/trait";
import { choice, day, flag, json, name, type Row, real, record, ref, text, whole } from "../record";

const value = (label: string) => real(label, { least: -1e9, most: 1e9 }).optional();

/** What the plants of a line are scored on, and what is wanted of them. */
export const yardstick = record(
  "yardstick",
  {
    lineId: ref("line", "Line"),
    position: whole("Position", 0, 10_000),
    name: name("Name", 60),
    kind: choice("Kind", TRAIT_KIND_IDS),
    unit: text("Unit", 20),
    lowEnd: text("1 means", 60),
    highEnd: text("9 means", 60),
    /** JSON list of words, for a category. */
    categories: json("Words").or("[]"),
    wanted: choice("Wanted", WANTED),
    target: value("Target"),
    targetWord: text("Wanted word", 60).optional(),
    weight: real("Weight", { least: 0, most: 10 }).or(1),
    retiredOn: day("Retired on").optional(),
    /** When in a plant's life it is looked at, and how often. */
    stage: choice("When", STAGES_OF_LIFE).or("any"),
    often: choice("How often", OFTEN).or("once"),
    /** What the ends of its scale are drawn as. */
    drawn: choice("Drawn as", DRAWN).optional(),
    /** A range that is wanted; what is below the floor or above the ceiling is out, whatever else is good. */
    low: value("From"),
    high: value("To"),
    floor: value("Out below"),
    ceiling: value("Out above"),
    /** Of words and of yes or no: any other is out. */
    must: flag("Any other is out"),
    /** A ratio's two yardsticks. */
    ofId: ref("yardstick", "Of").optional(),
    byId: ref("yardstick", "Divided by").optional(),
    /** The version before, which meant something else by its figures. */
    formerId: ref("yardstick", "Version before").optional(),
    /** How much of what plants differ by is inherited, as the grower guesses. */
    inherited: real("Share inherited", { least: 0.01, most: 0.95 }).optional(),
  },
  {
    same: ["lineId", "name", "kind"],
    together: ["wanted", "target", "targetWord", "low", "high"],
  },
);
export type Yardstick = Row<typeof yardstick>;
