import Joi from "joi";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { readPedigree } from "@/core/pedigree/notation";
import type { FlowerState } from "@/core/pollination/tally";
import { Refusal } from "@/db/ops";
import { type Context, command } from "../command";
import { type Flower, flower as flowerRecord } from "../flower/flower";
import { flowersOfCross } from "../flower/queries";
import { DAYS, flowerRule } from "../flower/rules";
import { plantsOfStand } from "../plant/queries";
import { count, type Fields, given, type Patch, type Told, text as textField, whole, yesNo } from "../record";
import { check, schemaOf } from "../schema";
import { type Forecaster, forecaster } from "../stand/forecast";
import { allStands, type StandRow } from "../stand/queries";
import { type BookLine, readBook } from "./bookFile";
import { cross as crossRecord } from "./cross";
import { planOne, usualPlan } from "./plan";
import { type CrossRow, crossByCode, crossById } from "./queries";

const { columns } = flowerRecord;

/** What a line may say of a flower, by the file's names for it; the record's own rules hold for the whole. */
const FLOWER = {
  flower: columns.number.as("flower"),
  onPlant: count("onPlant", 100_000).optional(),
  covered: columns.coveredOn.as("covered").optional(),
  gathered: columns.gatheredOn.as("gathered"),
  pollinated: columns.pollinatedOn.as("pollinated"),
  at: columns.pollinatedAt.as("at"),
  passes: columns.passes.as("passes").optional(),
  lastPass: columns.lastPass.as("lastPass"),
  males: columns.males.as("males"),
  bud: columns.bud.as("bud"),
  uncovered: columns.uncoveredOn.as("uncovered"),
  checked: columns.checkedOn.as("checked"),
  state: columns.state.as("state"),
  fault: columns.fault.as("fault"),
  lostWhy: columns.lostWhy.as("lostWhy"),
  lot: textField("lot"),
  flowerNote: columns.note.as("flowerNote"),
};

const CROSS = {
  season: whole("season", 1900, 2200).optional(),
  kind: textField("kind", 20).optional(),
  method: crossRecord.columns.method.as("method"),
  mother: textField("mother", 120).optional(),
  motherPlant: count("motherPlant", 100_000).optional(),
  father: textField("father", 120).optional(),
  fatherPlant: count("fatherPlant", 100_000).optional(),
  pedigree: textField("pedigree", 2000).optional(),
  fruitsWanted: crossRecord.columns.fruitsWanted.as("fruitsWanted").optional(),
  note: crossRecord.columns.note.as("note").kept(),
};
const SCHEMAS = { flower: schemaOf(FLOWER), cross: schemaOf(CROSS) };

type Trouble = { line: number; message: string };

/** Thrown for one line; the whole is read before anything is said, so that all faults show at once. */
class LineTrouble extends Error {}

type Cells<F extends Fields> = Told<F>;

/** The cells of one kind in a line, checked and typed. */
function cellsOf<F extends Fields>(fields: F, schema: Joi.ObjectSchema, cells: Record<string, string>): Cells<F> {
  const own = Object.fromEntries(Object.entries(cells).filter(([name]) => Object.hasOwn(fields, name)));
  const checked = check(fields, schema, own);
  if (!checked.ok) throw new LineTrouble(Object.values(checked.fields)[0]!);
  return checked.value as Cells<F>;
}

/** States that a file may not make: seed lots are made where their seed is counted. */
const MADE_ELSEWHERE: ReadonlySet<FlowerState> = new Set(["harvested"]);

/** A flower's columns from a line's cells. */
function flowerRow(cells: Cells<typeof FLOWER>, plants: Map<number, Id>) {
  const { covered, pollinated, onPlant } = cells;
  if (!covered) throw new LineTrouble(`a flower that is ${cells.state} needs the day “${DAYS.coveredOn}”`);
  const plantId = onPlant === null ? null : plants.get(onPlant);
  if (plantId === undefined) throw new LineTrouble(`plant ${onPlant} does not stand with the mother`);
  return {
    number: cells.flower,
    state: cells.state,
    plantId,
    coveredOn: covered,
    gatheredOn: cells.gathered,
    pollinatedOn: pollinated,
    pollinatedAt: cells.at,
    passes: cells.passes ?? (pollinated ? 1 : 0),
    lastPass: cells.lastPass ?? pollinated,
    males: cells.males,
    bud: cells.bud,
    uncoveredOn: cells.uncovered,
    checkedOn: cells.checked,
    fault: cells.fault,
    lostWhy: cells.lostWhy,
    note: cells.flowerNote,
  };
}

/** Carries a file's lines out on the records, line by line; troubles are gathered. */
class Intake {
  readonly changes: string[] = [];
  readonly troubles: Trouble[] = [];
  private readonly sky: Forecaster;
  private readonly made = new Map<string, Id>();
  private readonly known = new Map<Id, { cross: CrossRow; flowers: Map<number, Flower>; plants: Map<number, Id> }>();

  constructor(
    private readonly context: Context,
    private readonly stands: Map<string, StandRow>,
    private readonly lines: Map<string, StandRow[]>,
  ) {
    this.sky = forecaster(context.db, context.today);
  }

  take({ line, cells }: BookLine): void {
    try {
      const own = cellsOf(CROSS, SCHEMAS.cross, cells);
      const crossId = this.crossOf(cells.cross, own);
      if (cells.flower !== undefined || cells.state !== undefined) this.flower(crossId, cells);
    } catch (failure) {
      if (!(failure instanceof LineTrouble || failure instanceof Refusal)) throw failure;
      this.troubles.push({ line, message: failure.message });
    }
  }

  private memo(crossId: Id) {
    const { db } = this.context;
    const known = this.known.get(crossId);
    if (known) return known;
    const cross = crossById(db, crossId)!;
    const read = {
      cross,
      flowers: new Map(flowersOfCross(db, crossId).map((f) => [f.number, f])),
      plants: new Map(plantsOfStand(db, cross.motherStandId).map((p) => [p.number, p.id])),
    };
    this.known.set(crossId, read);
    return read;
  }

  /** The cross a line belongs to: one of the book by its code, or a new one under any other name. */
  private crossOf(label: string | undefined, own: Cells<typeof CROSS>): Id {
    const { db } = this.context;
    if (label && /^X\d{2}-/i.test(label)) {
      const found = crossByCode(db, label.toUpperCase())?.id;
      if (!found)
        throw new LineTrouble(
          `there is no cross ${label}; leave its code out, or name it otherwise, to make a new one`,
        );
      this.changeCross(found, own);
      return found;
    }
    const key = label ?? `${own.mother} ${own.father} ${own.pedigree}`;
    const before = this.made.get(key);
    if (before) return before;
    const made = this.newCross(own);
    this.made.set(key, made);
    return made;
  }

  private changeCross(crossId: Id, own: Cells<typeof CROSS>): void {
    const { cross } = this.memo(crossId);
    const fixed: [keyof typeof CROSS, unknown][] = [
      ["mother", cross.motherCode],
      ["father", cross.fatherCode],
      ["season", cross.season],
      ["kind", cross.kind],
      ["motherPlant", cross.motherNumber],
      ["fatherPlant", cross.fatherNumber],
      ["method", cross.method],
    ];
    for (const [name, value] of fixed)
      if (own[name] !== null && own[name] !== value)
        throw new LineTrouble(`“${name}” of ${cross.code} is ${value ?? "empty"}; a file can't change it`);
    const patch: Patch<typeof crossRecord> = {};
    if (own.note !== undefined && own.note !== cross.note) patch.note = own.note;
    if (own.fruitsWanted !== null && own.fruitsWanted !== cross.fruitsWanted) patch.fruitsWanted = own.fruitsWanted;
    if (Object.keys(patch).length === 0) return;
    this.context.write.update(crossRecord, crossId, patch);
    this.changes.push(`${cross.code}: ${Object.keys(patch).join(" and ")} changed`);
    this.known.delete(crossId);
  }

  private stand(text: string | null, role: string): StandRow {
    if (!text)
      throw new LineTrouble(
        `the “${role}” is needed: a stand's code, or a pedigree of two lines that grow this season`,
      );
    const byCode = this.stands.get(text.toUpperCase());
    if (byCode) return byCode;
    const grown = this.lines.get(text.toLowerCase()) ?? [];
    if (grown.length === 1) return grown[0]!;
    throw new LineTrouble(
      grown.length === 0
        ? `no stand ${text} grows this season`
        : `${text} grows in ${grown.length} stands this season; give the stand's code as ${role}`,
    );
  }

  private newCross(own: Cells<typeof CROSS>): Id {
    const { mother, father } = this.named(own);
    const { db } = this.context;
    const numbered = (stand: StandRow, number: number | null, role: string): Id | null => {
      if (number === null) return null;
      const plant = plantsOfStand(db, stand.id).find((p) => p.number === number);
      if (!plant) throw new LineTrouble(`${role} plant ${number} does not stand in ${stand.code}`);
      return plant.id;
    };
    const done = planOne(this.context, this.sky, {
      ...usualPlan(mother.species),
      motherStandId: mother.id,
      fatherStandId: father.id,
      motherPlantId: numbered(mother, own.motherPlant, "mother"),
      fatherPlantId: numbered(father, own.fatherPlant, "father"),
      lineName: mother.lineId === father.lineId ? null : `${mother.lineName} × ${father.lineName}`.slice(0, 120),
      fruitsWanted: own.fruitsWanted ?? 4,
      method: own.method,
    });
    if (own.note) this.context.write.update(crossRecord, done.id, { note: own.note });
    this.changes.push(`${done.message.replace(" planned", " new")}`);
    return done.id;
  }

  /** Mother and father by their columns, or by the outermost cross of the pedigree. */
  private named(own: Cells<typeof CROSS>): { mother: StandRow; father: StandRow } {
    const text = own.pedigree;
    const tree = text ? readPedigree(text) : null;
    if (tree && !tree.ok) throw new LineTrouble(`pedigree: ${tree.message}`);
    const side = (role: "mother" | "father"): string | null => {
      if (own[role]) return own[role];
      if (!tree?.ok || typeof tree.tree === "string") return null;
      const parent = tree.tree[role];
      return typeof parent === "string" ? parent : null;
    };
    return { mother: this.stand(side("mother"), "mother"), father: this.stand(side("father"), "father") };
  }

  private flower(crossId: Id, cells: Record<string, string>): void {
    const { write } = this.context;
    const { cross, flowers, plants } = this.memo(crossId);
    const row = flowerRow(cellsOf(FLOWER, SCHEMAS.flower, cells), plants);
    const { number, state } = row;
    const before = flowers.get(number);
    const name = `${cross.code} flower ${number}`;
    if (before?.lotId) {
      if (state !== before.state)
        throw new LineTrouble(`${name} was brought in as seed already; its state can't change`);
    } else if (MADE_ELSEWHERE.has(state))
      throw new LineTrouble(`${name}: fruit is brought in on the cross's page, where its seed is counted`);
    // Held against the record's rules here, so that a fault is told with its line.
    const next = { id: "", version: "", crossId, lotId: null, ...before, ...row };
    flowerRule(this.context, next, before ?? null);
    if (!before) {
      write.insert(flowerRecord, { crossId, ...row });
      this.changes.push(`${name} new, ${state}`);
      return;
    }
    const differing = (Object.keys(row) as (keyof typeof row)[]).filter((column) => row[column] !== before[column]);
    if (differing.length === 0) return;
    write.update(flowerRecord, before.id, Object.fromEntries(differing.map((c) => [c, row[c]])));
    this.changes.push(`${name}: ${differing.join(", ")} changed`);
  }
}

/** So many troubles are told; a file with more is faulty from the start. */
const TOLD = 200;

/**
 * Takes in a cross book's file, all or nothing. A line that is as the record is changes nothing; new flowers and new
 * crosses are added. Every faulty line is named; a dry run says what would change.
 */
export const importBook = command(
  "cross.import",
  {
    text: given<string>("File", Joi.string().max(2_500_000)).saying({
      "string.max": "The file is larger than two and a half megabytes.",
    }),
    dryRun: yesNo("Only look"),
  },
  (context, { text, dryRun }) => {
    const lines = readBook(text);
    const stands = allStands(context.db);
    const season = Math.max(0, ...stands.filter((s) => s.sown <= context.today).map((s) => s.season));
    const ofSeason = stands.filter((s) => s.season === season);
    const byLine = groupBy(ofSeason, (s) => s.lineName.toLowerCase());
    const intake = new Intake(context, new Map(stands.map((s) => [s.code, s])), byLine);
    for (const line of lines) intake.take(line);
    const { changes, troubles } = intake;
    if (troubles.length > 0)
      throw new Refusal(
        `${troubles.length} of ${lines.length} lines can't be taken in. Nothing was changed.`,
        Object.fromEntries(troubles.slice(0, TOLD).map((t) => [`line ${t.line}`, t.message])),
      );
    const summary = changes.length === 0 ? "Nothing differs from the book" : `${changes.length} changes from a file`;
    if (dryRun)
      throw new Refusal(
        changes.length === 0 ? `${summary}.` : `Would be taken in: ${changes.length} changes.`,
        Object.fromEntries(changes.slice(0, TOLD).map((words, i) => [`change ${i + 1}`, words])),
        "dry-run",
      );
    return { message: summary, ids: [] };
  },
);
