import { yearOf } from "@/core/calendar/day";
import { Refusal } from "@/db/ops";
import { nextCode } from "../code";
import { type Context, command } from "../command";
import { choice, day, ref, seen } from "../record";
import { type Line, line } from "./line";
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

const hybridKeptPure = ({ status, school }: { status: string; school: string }) =>
  status === "f1-hybrid" && school === "keep-pure" ? [HYBRID_WARNING] : [];

/** Two lines of one name and species are two lines; whoever made the second one is told of the first. */
const nameWarning = ({ db }: Context, { name, species }: { name: string; species: string }): string[] => {
  const known = lineOfName(db, name, species);
  return known ? [`There is a line of that name and species already: ${known.code}.`] : [];
};

const addLine = command("line.add", line.adding(...FIELDS), (context, input) => {
  const { write, today } = context;
  const warnings = [...hybridKeptPure(input), ...nameWarning(context, input)];
  const code = nextCode(context, "line", yearOf(today));
  const id = write.insert(line, { code, ...input });
  return { message: `Line ${input.name} added`, id, code, warnings };
});

const changeLine = command(
  "line.change",
  { id: ref("line", "Line"), version: seen(), ...line.patching(...FIELDS) },
  (context, { id, version, ...patch }) => {
    const before = context.write.read(line, id);
    if (!before) throw new Refusal("That line does not exist.");
    const next = { ...before, ...patch };
    const renamed = next.name !== before.name || next.species !== before.species;
    const warnings = [...hybridKeptPure(next), ...(renamed ? nameWarning(context, next) : [])];
    context.write.update(line, id, patch, version);
    return { message: `Line ${next.name} changed`, id, code: before.code, warnings };
  },
);

/** What each ending of a line is called. */
const ENDED: Record<NonNullable<Line["ending"]>, string> = {
  finished: "finished",
  "given-up": "given up",
  lost: "lost",
};

/** The work on a line ends: what was wanted is reached, it is given up, or nothing of it lives. Its records stay. */
const endLine = command(
  "line.end",
  {
    id: ref("line", "Line"),
    version: seen(),
    ending: choice("Ended as", ["finished", "given-up", "lost"]),
    on: day("Day").optional(),
    why: line.columns.endedWhy,
  },
  (context, { id, version, ending, on, why }) => {
    const before = context.write.read(line, id);
    if (!before) throw new Refusal("That line does not exist.");
    const endedOn = on ?? context.today;
    context.write.update(line, id, { endedOn, ending, endedWhy: why }, version);
    return { message: `Line ${before.name} ${ENDED[ending]}`, id, code: before.code };
  },
);

const bringBackLine = command(
  "line.bring-back",
  { id: ref("line", "Line"), version: seen() },
  (context, { id, version }) => {
    const before = context.write.read(line, id);
    if (!before) throw new Refusal("That line does not exist.");
    context.write.update(line, id, { endedOn: null, ending: null, endedWhy: "" }, version);
    return { message: `Line ${before.name} goes on`, id, code: before.code };
  },
);

export const lineCommands = [addLine, changeLine, endLine, bringBackLine] as const;
