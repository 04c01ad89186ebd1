import { yearOf } from "@/core/calendar/day";
import { orderedKin, type ToldKin, type Trouble } from "@/core/pedigree/intake";
import { type PedigreeTree, readPedigree, writePedigree } from "@/core/pedigree/notation";
import { plural } from "@/core/units/plural";
import { Refusal, refuse } from "@/db/ops";
import { nextCode } from "../code";
import { type Context, command } from "../command";
import { readCsv } from "../csvFile";
import { species, yesNo } from "../record";
import { fileText } from "../schema";
import { line } from "./line";
import { linesOfSpecies } from "./queries";

/** Lines of one text, and troubles that are told of it. */
const MOST = 2000;
const TOLD = 100;
/** Columns by the names they may go by. */
const COLUMNS = {
  name: ["name", "individual", "line", "id"],
  mother: ["mother", "dam", "female", "seed parent"],
  father: ["father", "sire", "male", "pollen parent"],
  year: ["year", "born"],
} as const;
/** What stands where nobody knows. */
const NOBODY = new Set(["", "0", "-", "–", "?", "unknown", "na"]);

const nobody = (name: string): string | null => (NOBODY.has(name.toLowerCase()) ? null : name);

function fromCsv(text: string): ToldKin[] {
  const { heads, lines } = readCsv(text, MOST);
  const column = (key: keyof typeof COLUMNS) => COLUMNS[key].find((name) => heads.includes(name));
  const [name, mother, father, year] = (["name", "mother", "father", "year"] as const).map(column);
  if (!name || !mother || !father)
    return refuse("text", "The first line must name the columns name, mother and father.");
  if (lines.length > MOST) refuse("text", `At most ${MOST} at once; this holds more.`);
  return lines.map(({ line: at, cells }) => ({
    name: cells[name] ?? "",
    mother: nobody(cells[mother] ?? ""),
    father: nobody(cells[father] ?? ""),
    year: year && /^\d{4}$/.test(cells[year] ?? "") ? Number(cells[year]) : null,
    line: at,
  }));
}

/** Crosses within a written pedigree stand for themselves, by their own notation. */
function crossesOf(tree: PedigreeTree, at: number): ToldKin[] {
  if (typeof tree === "string") return [];
  const name = (of: PedigreeTree) => (typeof of === "string" ? of : writePedigree(of));
  const own = { name: writePedigree(tree), mother: name(tree.mother), father: name(tree.father), year: null, line: at };
  return [...crossesOf(tree.mother, at), ...crossesOf(tree.father, at), own];
}

function fromNotation(text: string): { kin: ToldKin[]; troubles: Trouble[] } {
  const troubles: Trouble[] = [];
  const kin = new Map<string, ToldKin>();
  const rows = text.split(/\r?\n/).map((words, i) => ({ words: words.trim(), line: i + 1 }));
  const named: ToldKin[] = [];
  for (const { words, line: at } of rows.filter((row) => row.words !== "")) {
    const [, name, written] = /^(.+?)\s*[=:]\s*(.+)$/.exec(words) ?? [];
    if (!name || !written) {
      troubles.push({ line: at, message: `“${words.slice(0, 60)}”: write Name = Mother/Father.` });
      continue;
    }
    const read = readPedigree(written);
    if (!read.ok) {
      troubles.push({ line: at, message: read.message });
      continue;
    }
    const crosses = crossesOf(read.tree, at);
    const last = crosses.pop();
    // A cross that is named twice is one.
    for (const one of crosses) if (!kin.has(one.name)) kin.set(one.name, one);
    named.push({ name, mother: last?.mother ?? null, father: last?.father ?? null, year: null, line: at });
  }
  return { kin: [...kin.values(), ...named], troubles };
}

/** A CSV with a column of mothers, or lines of written pedigrees. */
function toldBy(text: string): { kin: ToldKin[]; troubles: Trouble[] } {
  const [first = ""] = text.split(/\r?\n/);
  const heads = first
    .toLowerCase()
    .split(/[,;\t]/)
    .map((head) => head.replaceAll(/["'\uFEFF]/g, "").trim());
  const csv = COLUMNS.mother.some((name) => heads.includes(name)) || /^\uFEFF?\s*sep=/i.test(first);
  return csv ? { kin: fromCsv(text), troubles: [] } : fromNotation(text);
}

/** Finds or makes the line of each, parents first; says what it did. */
function takeIn(context: Context, kin: ToldKin[], of: string): { changes: string[]; troubles: Trouble[] } {
  const { db, write, today } = context;
  const there = linesOfSpecies(db, of);
  const names = new Map(there.map(({ id, name }) => [id, name]));
  // Of two lines of one name the first is meant.
  const byName = new Map(there.toReversed().map((one) => [one.name, one]));
  const ids = new Map<string, string>();
  const changes: string[] = [];
  const troubles: Trouble[] = [];
  for (const { name, mother, father, year, line: at } of kin) {
    const parents = {
      motherLineId: mother === null ? null : (ids.get(mother) ?? null),
      fatherLineId: father === null ? null : (ids.get(father) ?? null),
    };
    const from = mother && father ? `${mother} × ${father}` : "";
    const known = byName.get(name);
    if (!known) {
      const code = nextCode(context, "line", yearOf(today));
      const crossed = mother !== null;
      const school = crossed ? "cross-and-fix" : "keep-pure";
      const status = crossed ? "breeding-line" : "open-pollinated";
      const id = write.insert(line, {
        code,
        name,
        species: of,
        school,
        status,
        origin: from.slice(0, 200),
        year,
        ...parents,
      });
      ids.set(name, id);
      changes.push(from ? `${name}, from ${from}` : name);
      continue;
    }
    ids.set(name, known.id);
    if (!from) continue;
    const has = [known.motherLineId, known.fatherLineId];
    if (has[0] === parents.motherLineId && has[1] === parents.fatherLineId) continue;
    if (has.some((id) => id !== null)) {
      const told = has.map((id) => (id && names.get(id)) || "unknown").join(" × ");
      troubles.push({ line: at, message: `“${name}” (${known.code}) is from ${told} already, not from ${from}.` });
      continue;
    }
    write.update(line, known.id, parents);
    changes.push(`${name} (${known.code}) is from ${from}`);
  }
  return { changes, troubles };
}

/** Takes in a pedigree, as CSV or in slash notation, all or nothing: lines that are not there yet, and who they are from. */
export const importPedigree = command(
  "line.pedigree",
  {
    species: species(),
    text: fileText("Pedigree", 1_000_000, "The pedigree is larger than a megabyte."),
    dryRun: yesNo("Only look"),
  },
  (context, { species: of, text, dryRun }) => {
    const told = toldBy(text);
    if (told.kin.length === 0 && told.troubles.length === 0) refuse("text", "Nothing stands there.");
    const unnamed = told.kin.flatMap(({ name, line: at }) =>
      name === "" || name.length > 120
        ? [{ line: at, message: name === "" ? "A name is missing." : "That name is too long." }]
        : [],
    );
    const { kin, troubles } = orderedKin(told.kin);
    const wrong = [...told.troubles, ...unnamed, ...troubles];
    const { changes, troubles: against } = wrong.length > 0 ? { changes: [], troubles: [] } : takeIn(context, kin, of);
    const all = [...wrong, ...against].sort((a, b) => a.line - b.line).slice(0, TOLD);
    if (all.length > 0)
      throw new Refusal(
        `${plural(all.length, "trouble")} in the pedigree. Nothing was changed.`,
        Object.fromEntries(
          all.map(({ line: at, message }, i) => [
            `line ${at}${i > 0 && all[i - 1]!.line === at ? ` (${i})` : ""}`,
            message,
          ]),
        ),
      );
    if (dryRun)
      throw new Refusal(
        changes.length > 0 ? `Would be taken in: ${plural(changes.length, "line")}.` : "All of it is known already.",
        Object.fromEntries(changes.slice(0, TOLD).map((words, i) => [`change ${i + 1}`, words])),
        "dry-run",
      );
    return { message: `${plural(changes.length, "line")} taken in with their pedigree` };
  },
);
