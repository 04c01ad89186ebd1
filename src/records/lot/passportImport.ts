import { SPECIES } from "@/catalogue/catalogue";
import { seasonOf } from "@/core/climate/season";
import { type Descriptor, PASSPORT, passportDay, statusOf } from "@/core/sharing/passport";
import { plural } from "@/core/units/plural";
import { Refusal, refuse } from "@/db/ops";
import { nextCode } from "../code";
import { type Context, command } from "../command";
import { readCsv } from "../csvFile";
import { line } from "../line/line";
import { lineOfName } from "../line/queries";
import { count, yesNo } from "../record";
import { fileText } from "../schema";
import { lot } from "./lot";

/** Rows of one file. */
const MOST_ROWS = 2000;
/** So many troubles are told. */
const TOLD = 100;

type Passport = { row: number; cells: Partial<Record<Descriptor, string>> };

/** Rows of the file, and columns that are no descriptors. */
function readPassports(text: string): { passports: Passport[]; unknown: string[] } {
  const { heads, lines: rows } = readCsv(text, MOST_ROWS);
  if (rows.length === 0) refuse("text", "The file holds no passports.");
  if (rows.length > MOST_ROWS) refuse("text", `At most ${MOST_ROWS} passports at once; this file holds more.`);
  const columns = heads.map((name) => name.toUpperCase());
  const known = new Set<string>(PASSPORT);
  for (const needed of ["GENUS", "SPECIES"])
    if (!columns.includes(needed)) refuse("text", `The first line must name the column ${needed}.`);
  return {
    passports: rows.map(({ line, cells }) => ({
      row: line,
      cells: Object.fromEntries(
        Object.entries(cells)
          .map(([name, value]) => [name.toUpperCase(), value] as const)
          .filter(([name]) => known.has(name)),
      ),
    })),
    unknown: columns.filter((name) => !known.has(name)),
  };
}

const BY_BINOMIAL = new Map(SPECIES.map((species) => [species.binomial.toLowerCase(), species]));

/** What is taken in of a passport, or why it can't be. */
function taken({ cells }: Passport, seedsEach: number | null, today: string) {
  const binomial = `${cells.GENUS ?? ""} ${cells.SPECIES ?? ""}`.trim();
  const species = BY_BINOMIAL.get(binomial.toLowerCase());
  if (!species) return `the catalogue knows no ${binomial || "species without a name"}`;
  const status = cells.SAMPSTAT ? statusOf(cells.SAMPSTAT) : "open-pollinated";
  if (!status) return `SAMPSTAT ${cells.SAMPSTAT} is no status of a sample`;
  const told = cells.ACQDATE || cells.COLLDATE || "";
  const gathered = passportDay(told);
  if (!gathered) return told ? `${told} is no day written YYYYMMDD` : "ACQDATE is missing: age counts from it";
  if (gathered > today) return `${told} is still to come`;
  const name = cells.ACCENAME || cells.ACCENUMB || "";
  if (!name) return "ACCENAME and ACCENUMB are both missing";
  if (name.length > 120) return "ACCENAME is longer than 120 signs";
  const seeds = Number(/\bseeds: (\d{1,8})\b/.exec(cells.REMARKS ?? "")?.[1] ?? seedsEach ?? 0);
  if (!seeds) return "how many seeds it holds is not said: write it into REMARKS as seeds: 40, or say a number for all";
  const generation = Number(/\bgeneration: F(\d{1,2})\b/.exec(cells.REMARKS ?? "")?.[1] ?? 0) || null;
  return { species, status, gathered, name, seeds, generation };
}

function noteOf({ cells }: Passport): string {
  const { ACCENUMB, DONORNAME, ORIGCTY, COLLSITE, ANCEST, REMARKS } = cells;
  const parts = [
    ACCENUMB && `number ${ACCENUMB}`,
    DONORNAME && `from ${DONORNAME}`,
    [COLLSITE, ORIGCTY].filter(Boolean).join(", "),
    ANCEST && `of ${ANCEST}`,
    REMARKS,
  ];
  return parts.filter(Boolean).join("; ").slice(0, 500);
}

function take(context: Context, passport: Passport, of: Exclude<ReturnType<typeof taken>, string>): string {
  const { db, write, garden } = context;
  const { species, status, gathered, name, seeds, generation } = of;
  const known = lineOfName(db, name, species.id);
  const lineId =
    known?.id ??
    write.insert(line, {
      code: nextCode(context, "line", seasonOf(context.today, garden.latitude)),
      name,
      species: species.id,
      school: status === "breeding-line" ? "cross-and-fix" : status === "mix" ? "let-it-mix" : "keep-pure",
      status,
      origin: (passport.cells.DONORNAME ?? "").slice(0, 200),
    });
  const code = nextCode(context, "lot", seasonOf(gathered, garden.latitude));
  write.insert(lot, { code, kind: "received", lineId, gathered, seeds, generation, note: noteOf(passport) });
  return `${name}, ${species.name.toLowerCase()}, ${seeds} seeds of ${gathered.slice(0, 4)}${known ? "" : ", a new line"}`;
}

/** Takes in seed by its passports (FAO/Bioversity multi-crop passport descriptors, CSV), all or nothing. */
const importPassports = command(
  "passport.import",
  {
    text: fileText("File", 1_000_000, "The file is larger than a megabyte."),
    seedsEach: count("Seeds of each, where the file says none", 1_000_000).optional(),
    dryRun: yesNo("Only look"),
  },
  (context, { text, seedsEach, dryRun }) => {
    const { passports, unknown } = readPassports(text);
    const read = passports.map((passport) => ({ passport, of: taken(passport, seedsEach, context.today) }));
    const wrong = read.flatMap(({ passport, of }) => (typeof of === "string" ? [[`row ${passport.row}`, of]] : []));
    if (wrong.length > 0)
      throw new Refusal(
        `${wrong.length} of ${plural(passports.length, "passport")} can't be taken in. Nothing was changed.`,
        Object.fromEntries(wrong.slice(0, TOLD)),
      );
    const changes = read.map(({ passport, of }) => (typeof of === "string" ? of : take(context, passport, of)));
    const left = unknown.length > 0 ? [`No passport descriptors, left out: ${unknown.slice(0, 12).join(", ")}.`] : [];
    if (dryRun)
      throw new Refusal(
        [`Would be taken in: ${plural(changes.length, "lot")}.`, ...left].join(" "),
        Object.fromEntries(changes.slice(0, TOLD).map((words, i) => [`change ${i + 1}`, words])),
        "dry-run",
      );
    return { message: `${plural(changes.length, "lot")} taken in by their passports`, warnings: left };
  },
  ["garden", "line", "lot"],
);

export const passportCommands = [importPassports] as const;
