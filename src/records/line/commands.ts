import { speciesById } from "@/catalogue/catalogue";
import { yearOf } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { Refusal } from "@/db/ops";
import { nextCode } from "../code";
import { type Context, command } from "../command";
import { day, ref, seen } from "../record";
import { line } from "./line";
import { lineOfName } from "./queries";

const FIELDS = [
  "name",
  "species",
  "school",
  "status",
  "origin",
  "year",
  "description",
  "purity",
  "harm",
  "anthers",
] as const;

const HYBRID_WARNING =
  "Seed of a bought F1 hybrid does not come true: its seedlings split into all kinds. To undo it into a stable line, choose the school cross and fix.";

type Hybrid = { status: string; school: string; species: string };
/** What is said of a bought hybrid: that it does not come true, and of some kinds that it may bear no pollen. */
const ofHybrid = ({ status, school, species }: Hybrid): string[] => {
  if (status !== "f1-hybrid") return [];
  const { name, maleSterile } = speciesById(species);
  return [
    ...(school === "keep-pure" ? [HYBRID_WARNING] : []),
    ...(maleSterile
      ? [
          `F1 hybrids of ${name.toLowerCase()} are often male-sterile: look for pollen in its flowers before you build a line on it.`,
        ]
      : []),
  ];
};

const existing = ({ write }: Context, id: Id) => {
  const found = write.read(line, id);
  if (!found) throw new Refusal("That line does not exist.");
  return found;
};

/** Two lines of one name and species are two lines; whoever made the second one is told of the first. */
const nameWarning = ({ db }: Context, { name, species }: { name: string; species: string }): string[] => {
  const known = lineOfName(db, name, species);
  return known ? [`There is a line of that name and species already: ${known.code}.`] : [];
};

const addLine = command("line.add", line.adding(...FIELDS), (context, input) => {
  const { write, today } = context;
  const warnings = [...ofHybrid(input), ...nameWarning(context, input)];
  const code = nextCode(context, "line", yearOf(today));
  const id = write.insert(line, { code, ...input });
  return { message: `Line ${input.name} added`, id, code, warnings };
});

const changeLine = command(
  "line.change",
  { id: ref("line", "Line"), version: seen(), ...line.patching(...FIELDS) },
  (context, { id, version, ...patch }) => {
    const before = existing(context, id);
    const next = { ...before, ...patch };
    const renamed = next.name !== before.name || next.species !== before.species;
    const warnings = [...ofHybrid(next), ...(renamed ? nameWarning(context, next) : [])];
    context.write.update(line, id, patch, version);
    return { message: `Line ${next.name} changed`, id, code: before.code, warnings };
  },
);

/** The work on a line ends: what was wanted is reached, it is given up, or nothing of it lives. Its records stay. */
const endLine = command(
  "line.end",
  {
    id: ref("line", "Line"),
    version: seen(),
    ending: line.columns.ending.needed(),
    on: day("Day").optional(),
    why: line.columns.endedWhy,
  },
  (context, { id, version, ending, on, why }) => {
    const { name, code } = existing(context, id);
    context.write.update(line, id, { endedOn: on ?? context.today, ending, endedWhy: why }, version);
    return { message: `Line ${name} ${ending.replace("-", " ")}`, id, code };
  },
);

const bringBackLine = command(
  "line.bring-back",
  { id: ref("line", "Line"), version: seen() },
  (context, { id, version }) => {
    const { name, code } = existing(context, id);
    context.write.update(line, id, { endedOn: null, ending: null, endedWhy: "" }, version);
    return { message: `Line ${name} goes on`, id, code };
  },
);

export const lineCommands = [addLine, changeLine, endLine, bringBackLine] as const;
