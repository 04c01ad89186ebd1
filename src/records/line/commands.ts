import Joi from "joi";
import { SPECIES } from "@/catalogue/catalogue";
import { yearOf } from "@/core/calendar/day";
import { refuse } from "@/db/journal";
import type { Db } from "@/db/open";
import { command, nextCode } from "../command";
import { id, name, version } from "../fields";
import { lineById, type Status, type YardstickKind } from "./queries";

type LineInput = {
  name: string;
  species: string;
  school: string;
  status: Status;
  origin: string;
  year: number | null;
  description: string;
  purity: number | null;
  harm: string;
  anthers: string;
};

const lineFields = {
  name: name("Name").required(),
  species: Joi.string()
    .valid(...SPECIES.map((s) => s.id))
    .required()
    .label("Species"),
  school: Joi.string().valid("keep-pure", "cross-and-fix", "let-it-mix").required().label("School"),
  status: Joi.string().valid("open-pollinated", "f1-hybrid", "breeding-line", "mix", "wild").required().label("Status"),
  origin: Joi.string().trim().max(200).default("").label("Origin"),
  year: Joi.number().integer().min(1800).max(2100).allow(null).default(null).label("Year"),
  description: Joi.string().trim().max(4000).default("").label("Description"),
  purity: Joi.number().min(0.5).max(0.9999).allow(null).default(null).label("Purity wanted"),
  harm: Joi.string().valid("none", "bitter", "hot", "male-sterile").default("none").label("Its pollen does harm"),
  anthers: Joi.string().valid("as-species", "yes", "no").default("as-species").label("Anthers in fruiting flowers"),
};

const HYBRID_WARNING =
  "Seed of a bought F1 hybrid does not come true: its seedlings split into all kinds. To undo it into a stable line, choose the school cross and fix.";

const warningsFor = (input: { status: string; school: string }) =>
  input.status === "f1-hybrid" && input.school === "keep-pure" ? [HYBRID_WARNING] : [];

function refuseTaken(db: Db, input: { name: string; species: string }, except = 0): void {
  const taken = db
    .prepare("SELECT code FROM line WHERE name = ? AND species = ? AND id <> ?")
    .pluck()
    .get(input.name, input.species, except);
  if (taken) refuse("name", `There is a line of that name and species already: ${taken}.`);
}

const addLine = command<LineInput>({
  name: "line.add",
  schema: Joi.object<LineInput>(lineFields),
  run({ db, write, today }, input) {
    refuseTaken(db, input);
    const made = write.insert("line", { code: nextCode(db, "line", yearOf(today)), ...input });
    return { message: `Line ${input.name} added`, id: made, warnings: warningsFor(input) };
  },
});

type ChangeLine = LineInput & { id: number; version: number };

const changeLine = command<ChangeLine>({
  name: "line.change",
  schema: Joi.object<ChangeLine>({ ...lineFields, id: id().required(), version: version().required() }),
  run({ db, write }, { id: line, version: seen, ...input }) {
    refuseTaken(db, input, line);
    const before = lineById(db, line);
    const used = db
      .prepare("SELECT 1 FROM stand WHERE lineId = ? UNION SELECT 1 FROM lot WHERE lineId = ?")
      .get(line, line);
    if (before && before.species !== input.species && used)
      refuse("species", "Stands and seed are kept under this line's species; it can't change.");
    write.update("line", line, input, seen);
    return { message: `Line ${input.name} changed`, id: line, warnings: warningsFor(input) };
  },
});

type YardstickInput = {
  lineId: number;
  name: string;
  kind: YardstickKind;
  unit: string;
  lowEnd: string;
  highEnd: string;
  categories: string;
  wanted: string;
  target?: number;
  targetWord?: string;
  weight: number;
};

const WANTED: Record<YardstickKind, string[]> = {
  number: ["high", "low", "target"],
  scale: ["high", "low", "target"],
  date: ["high", "low", "target"],
  category: ["category"],
  "yes-no": ["yes", "no"],
};

/** Words of a category as typed: commas or lines between them. */
const words = (typed: string) => [
  ...new Set(
    typed
      .split(/[,\n]/)
      .map((w) => w.trim())
      .filter(Boolean),
  ),
];

const addYardstick = command<YardstickInput>({
  name: "yardstick.add",
  schema: Joi.object<YardstickInput>({
    lineId: id().required(),
    name: Joi.string().trim().max(60).required().label("Name"),
    kind: Joi.string().valid("number", "scale", "category", "yes-no", "date").required().label("Kind"),
    unit: Joi.string().trim().max(20).default("").label("Unit"),
    lowEnd: Joi.string().trim().max(60).default("").label("1 means"),
    highEnd: Joi.string().trim().max(60).default("").label("9 means"),
    categories: Joi.string().max(500).default("").label("Words"),
    wanted: Joi.string().valid("high", "low", "target", "category", "yes", "no").required().label("Wanted"),
    target: Joi.number().min(-1e9).max(1e9).label("Target"),
    targetWord: Joi.string().trim().max(60).label("Wanted word"),
    weight: Joi.number().min(0).max(10).default(1).label("Weight"),
  }),
  run({ db, write }, input) {
    if (!lineById(db, input.lineId)) refuse("lineId", "That line does not exist.");
    const list = words(input.categories);
    if (!WANTED[input.kind].includes(input.wanted))
      refuse("wanted", `For this kind, wanted is one of: ${WANTED[input.kind].join(", ")}.`);
    if (input.wanted === "target" && input.target === undefined) refuse("target", "Say the target's value.");
    if (input.kind === "scale" && (!input.lowEnd || !input.highEnd))
      refuse(
        input.lowEnd ? "highEnd" : "lowEnd",
        "Describe both ends of the scale, so that 1 and 9 mean the same next year.",
      );
    if (input.kind === "category" && list.length < 2)
      refuse("categories", "Give at least two words, with commas between.");
    if (input.kind === "category" && !list.includes(input.targetWord ?? ""))
      refuse("targetWord", "The wanted word must be one of the words.");
    if (db.prepare("SELECT 1 FROM yardstick WHERE lineId = ? AND name = ?").get(input.lineId, input.name))
      refuse("name", "This line has a yardstick of that name already.");
    const position = db
      .prepare("SELECT coalesce(max(position), 0) + 1 FROM yardstick WHERE lineId = ?")
      .pluck()
      .get(input.lineId) as number;
    const made = write.insert("yardstick", {
      ...input,
      position,
      categories: JSON.stringify(list),
      target: input.wanted === "target" ? input.target! : null,
      targetWord: input.kind === "category" ? input.targetWord! : null,
    });
    return { message: `Yardstick ${input.name} added`, id: made };
  },
});

type WeighYardstick = { id: number; version: number; weight: number };

const weighYardstick = command<WeighYardstick>({
  name: "yardstick.weigh",
  schema: Joi.object<WeighYardstick>({
    id: id().required(),
    version: version().required(),
    weight: Joi.number().min(0).max(10).required().label("Weight"),
  }),
  run({ write }, input) {
    write.update("yardstick", input.id, { weight: input.weight }, input.version);
    return { message: `${write.read("yardstick", input.id)?.name} weighs ${input.weight}`, id: input.id };
  },
});

export const lineCommands = [addLine, changeLine, addYardstick, weighYardstick];
