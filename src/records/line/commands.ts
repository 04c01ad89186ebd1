import { speciesById } from "@/catalogue/catalogue";
import { yearOf } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { plural } from "@/core/units/plural";
import { Refusal, refuse } from "@/db/ops";
import { nextCode } from "../code";
import { type Context, command } from "../command";
import { lot } from "../lot/lot";
import { lotById } from "../lot/queries";
import { day, given, ref, seen } from "../record";
import { idList } from "../schema";
import { line } from "./line";
import { importPedigree } from "./pedigreeImport";
import { lineOfName, namedAlike } from "./queries";

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
  "cloned",
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

/** A line goes by its name from now on, as a variety that is kept pure; a mix stays a mix. */
const releaseLine = command(
  "line.release",
  { id: ref("line", "Line"), version: seen(), name: line.columns.name, description: line.columns.description },
  (context, { id, version, name, description }) => {
    const before = existing(context, id);
    if (before.endedOn) refuse("id", `${before.name} has ended: bring it back first.`);
    if (before.releasedOn) refuse("id", `${before.name} goes by its name already.`);
    const [other] = namedAlike(context.db, id, before.species, name);
    if (other) refuse("name", `Too like ${other.name} (${other.code}): choose a name that nobody takes for it.`);
    const kept = before.school === "let-it-mix" || before.status === "mix";
    const as = kept ? {} : ({ school: "keep-pure", status: "open-pollinated" } as const);
    context.write.update(line, id, { name, description, releasedOn: context.today, ...as }, version);
    return { message: `${name} goes by its name from today`, id, code: before.code };
  },
);

/** Some lots of a line go on as a part of it, kept apart to be looked at by itself; they may be put together again. */
const partLine = command(
  "line.part",
  {
    id: ref("line", "Line"),
    name: line.columns.name,
    description: line.columns.description,
    lotIds: given<Id[]>("Lots", idList(200)),
  },
  (context, { id, name, description, lotIds }) => {
    const { db, write, today } = context;
    const whole = existing(context, id);
    if (lotIds.length === 0) refuse("lotIds", "Choose the lots that go on apart.");
    const { species, school, status, year, purity, harm, anthers, motherLineId, fatherLineId } = whole;
    const about = { species, school, status, year, purity, harm, anthers, motherLineId, fatherLineId };
    const code = nextCode(context, "line", yearOf(today));
    const origin = `part of ${whole.name}`.slice(0, 200);
    const part = write.insert(line, { ...about, code, name, description, origin, subOfId: whole.subOfId ?? id });
    for (const lotId of lotIds) {
      const found = lotById(db, lotId) ?? refuse("lotIds", "That lot does not exist.");
      if (found.lineId !== id) refuse("lotIds", `Lot ${found.code} is ${found.lineName}.`);
      if (found.sowings > 0) refuse("lotIds", `Lot ${found.code} was sown already as ${whole.name}.`);
      write.update(lot, lotId, { lineId: part });
    }
    return { message: `${name}: ${plural(lotIds.length, "lot")} of ${whole.name} kept apart`, id: part, code };
  },
);

export const lineCommands = [
  importPedigree,
  partLine,
  releaseLine,
  addLine,
  changeLine,
  endLine,
  bringBackLine,
] as const;
