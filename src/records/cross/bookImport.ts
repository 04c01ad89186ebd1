import Joi from "joi";
import { readPedigree } from "@/core/pedigree/notation";
import { STAGES } from "@/core/pollination/protocol";
import { FAULTS, FLOWER_STATES, type FlowerState } from "@/core/pollination/tally";
import { Refusal, type Row } from "@/db/journal";
import { type Context, command, type Done } from "../command";
import { count, day, MESSAGES } from "../fields";
import { plantsOfStand } from "../plant/queries";
import { type Forecaster, forecaster } from "../stand/forecast";
import type { StandRow } from "../stand/queries";
import { type BookLine, readBook } from "./bookFile";
import { planOne, usualPlan } from "./plan";
import { type CrossRow, crossById, type Flower, flowersOfCross } from "./queries";

/** What a line may say of a flower, checked by itself. */
const flowerSchema = Joi.object({
  flower: count("flower", 100_000).required(),
  onPlant: count("onPlant", 100_000),
  covered: day("covered"),
  gathered: day("gathered"),
  pollinated: day("pollinated"),
  at: Joi.string()
    .pattern(/^([01]\d|2[0-3]):[0-5]\d$/)
    .label("at"),
  passes: Joi.number().integer().min(0).max(100).label("passes"),
  lastPass: day("lastPass"),
  males: count("males", 1000),
  bud: Joi.string()
    .valid(...STAGES)
    .label("bud"),
  uncovered: day("uncovered"),
  checked: day("checked"),
  state: Joi.string()
    .valid(...FLOWER_STATES)
    .required()
    .label("state"),
  fault: Joi.string()
    .valid(...FAULTS)
    .label("fault"),
  lostWhy: Joi.string().max(200).label("lostWhy"),
  lot: Joi.string().label("lot"),
  flowerNote: Joi.string().max(500).label("flowerNote"),
});
const FLOWER_CELLS = Object.keys(flowerSchema.describe().keys as object);

const crossSchema = Joi.object({
  season: Joi.number().integer(),
  kind: Joi.string(),
  method: Joi.string(),
  mother: Joi.string(),
  motherPlant: count("motherPlant", 100_000),
  father: Joi.string(),
  fatherPlant: count("fatherPlant", 100_000),
  pedigree: Joi.string().max(2000),
  fruitsWanted: count("fruitsWanted", 10_000),
  note: Joi.string().max(4000),
}).unknown(false);
const CROSS_CELLS = Object.keys(crossSchema.describe().keys as object);

type Cells = Record<string, string | number | undefined>;
type Trouble = { line: number; message: string };

/** Thrown for one line; the whole is read before anything is said, so that all faults show at once. */
class LineTrouble extends Error {}

function checked(schema: Joi.ObjectSchema, cells: Cells): Cells {
  const { value, error } = schema.validate(cells, { messages: MESSAGES, errors: { wrap: { label: false } } });
  if (error) throw new LineTrouble(error.message);
  return value as Cells;
}

const pick = (cells: Cells, names: string[]) =>
  Object.fromEntries(names.filter((n) => n in cells).map((n) => [n, cells[n]]));

/** States that a file may not make: seed lots are made where their seed is counted. */
const MADE_ELSEWHERE: ReadonlySet<FlowerState> = new Set(["harvested"]);

/** The days a state must know of, in the order in which they pass. */
const NEEDS: Record<FlowerState, string[]> = {
  covered: ["covered"],
  gathered: ["covered", "gathered"],
  pollinated: ["covered", "pollinated"],
  uncovered: ["covered", "pollinated", "uncovered"],
  set: ["covered", "pollinated", "checked"],
  harvested: ["covered", "pollinated", "checked"],
  failed: ["covered", "pollinated", "checked"],
  lost: ["covered"],
  unusable: ["covered"],
};

/** A flower's columns from a line's cells, its days in order and its state borne out by them. */
function flowerRow(cells: Cells, today: string, plants: Map<number, number>): Row {
  const state = cells.state as FlowerState;
  for (const name of NEEDS[state])
    if (!cells[name]) throw new LineTrouble(`a flower that is ${state} needs the day “${name}”`);
  const order = ["covered", "gathered", "pollinated", "lastPass", "uncovered", "checked"];
  const days = order.filter((name) => cells[name]).map((name) => ({ name, day: String(cells[name]) }));
  for (const [i, { name, day: on }] of days.entries()) {
    if (on > today) throw new LineTrouble(`“${name}” is still to come`);
    const before = days[i - 1];
    if (before && on < before.day) throw new LineTrouble(`“${name}” lies before “${before.name}”`);
  }
  if (state === "unusable" && !cells.fault) throw new LineTrouble("an unusable flower needs its “fault”");
  if ((state === "lost") !== (cells.lostWhy !== undefined))
    throw new LineTrouble("“lostWhy” goes with the state lost, and only with it");
  const plantId = cells.onPlant === undefined ? null : plants.get(Number(cells.onPlant));
  if (plantId === undefined) throw new LineTrouble(`plant ${cells.onPlant} does not stand with the mother`);
  const text = (name: string) => (cells[name] as string | undefined) ?? null;
  const pollinatedOn = text("pollinated");
  return {
    number: cells.flower as number,
    state,
    plantId,
    coveredOn: text("covered"),
    gatheredOn: text("gathered"),
    pollinatedOn,
    pollinatedAt: text("at"),
    passes: Number(cells.passes ?? (pollinatedOn ? 1 : 0)),
    lastPass: text("lastPass") ?? pollinatedOn,
    males: (cells.males as number | undefined) ?? null,
    bud: text("bud"),
    uncoveredOn: text("uncovered"),
    checkedOn: text("checked"),
    fault: text("fault"),
    lostWhy: text("lostWhy"),
    note: text("flowerNote") ?? "",
  };
}

/** Carries a file's lines out on the records, line by line; troubles are gathered. */
class Intake {
  readonly changes: string[] = [];
  readonly troubles: Trouble[] = [];
  private readonly sky: Forecaster;
  private readonly made = new Map<string, number>();
  private readonly known = new Map<
    number,
    { cross: CrossRow; flowers: Map<number, Flower>; plants: Map<number, number> }
  >();

  constructor(
    private readonly context: Context,
    private readonly stands: Map<string, StandRow>,
    private readonly lines: Map<string, StandRow[]>,
  ) {
    this.sky = forecaster(context.db);
  }

  take({ line, cells }: BookLine): void {
    try {
      const own = checked(crossSchema, pick(cells, CROSS_CELLS));
      const crossId = this.crossOf(cells.cross, own);
      if (cells.flower !== undefined || cells.state !== undefined) this.flower(crossId, cells);
    } catch (failure) {
      if (failure instanceof LineTrouble) this.troubles.push({ line, message: failure.message });
      else if (failure instanceof Refusal) this.troubles.push({ line, message: failure.message });
      else throw failure;
    }
  }

  private memo(crossId: number) {
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
  private crossOf(label: string | undefined, own: Cells): number {
    const { db } = this.context;
    if (label && /^X\d{2}-/i.test(label)) {
      const found = db.prepare("SELECT id FROM cross WHERE code = ?").pluck().get(label.toUpperCase()) as
        | number
        | undefined;
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

  private changeCross(crossId: number, own: Cells): void {
    const { cross } = this.memo(crossId);
    const fixed: [string, unknown][] = [
      ["mother", cross.motherCode],
      ["father", cross.fatherCode],
      ["season", cross.season],
      ["kind", cross.kind],
      ["motherPlant", cross.motherNumber],
      ["fatherPlant", cross.fatherNumber],
      ["method", cross.method],
    ];
    for (const [name, value] of fixed)
      if (own[name] !== undefined && own[name] !== value)
        throw new LineTrouble(`“${name}” of ${cross.code} is ${value ?? "empty"}; a file can't change it`);
    const patch: Row = {};
    if (own.note !== undefined && own.note !== cross.note) patch.note = own.note;
    if (own.fruitsWanted !== undefined && own.fruitsWanted !== cross.fruitsWanted)
      patch.fruitsWanted = own.fruitsWanted;
    if (Object.keys(patch).length === 0) return;
    this.context.write.update("cross", crossId, patch);
    this.changes.push(`${cross.code}: ${Object.keys(patch).join(" and ")} changed`);
    this.known.delete(crossId);
  }

  private stand(text: string | undefined, role: string): StandRow {
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

  private newCross(own: Cells): number {
    const { mother, father } = this.named(own);
    const { db } = this.context;
    const numbered = (stand: StandRow, number: unknown, role: string): number | undefined => {
      if (number === undefined) return undefined;
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
      lineName: mother.lineId === father.lineId ? undefined : `${mother.lineName} × ${father.lineName}`.slice(0, 120),
      fruitsWanted: Number(own.fruitsWanted ?? 4),
      method: own.method as string | undefined,
    });
    if (own.note) this.context.write.update("cross", done.id, { note: own.note as string });
    this.changes.push(`${done.message.replace(" planned", " new")}`);
    return done.id;
  }

  /** Mother and father by their columns, or by the outermost cross of the pedigree. */
  private named(own: Cells): { mother: StandRow; father: StandRow } {
    const text = own.pedigree as string | undefined;
    const tree = text ? readPedigree(text) : null;
    if (tree && !tree.ok) throw new LineTrouble(`pedigree: ${tree.message}`);
    const side = (role: "mother" | "father"): string | undefined => {
      if (own[role]) return own[role] as string;
      if (!tree?.ok || typeof tree.tree === "string") return undefined;
      const parent = tree.tree[role];
      return typeof parent === "string" ? parent : undefined;
    };
    return { mother: this.stand(side("mother"), "mother"), father: this.stand(side("father"), "father") };
  }

  private flower(crossId: number, cells: Cells): void {
    const { cross, flowers, plants } = this.memo(crossId);
    const row = flowerRow(checked(flowerSchema, pick(cells, FLOWER_CELLS)), this.context.today, plants);
    const number = row.number as number;
    const before = flowers.get(number);
    const name = `${cross.code} flower ${number}`;
    const state = row.state as FlowerState;
    if (before?.lotId) {
      if (state !== before.state)
        throw new LineTrouble(`${name} was brought in as seed already; its state can't change`);
    } else if (MADE_ELSEWHERE.has(state))
      throw new LineTrouble(`${name}: fruit is brought in on the cross's page, where its seed is counted`);
    if (!before) {
      this.context.write.insert("flower", { crossId, ...row });
      this.changes.push(`${name} new, ${state}`);
      return;
    }
    const differing = Object.keys(row).filter((column) => row[column] !== before[column as keyof Flower]);
    if (differing.length === 0) return;
    this.context.write.update("flower", before.id, Object.fromEntries(differing.map((c) => [c, row[c]!])) as Row);
    this.changes.push(`${name}: ${differing.join(", ")} changed`);
  }
}

type ImportBook = { text: string; dryRun: boolean };

/** So many troubles are told; a file with more is faulty from the start. */
const TOLD = 200;

/**
 * Takes in a cross book's file, all or nothing. A line that is as the record is changes nothing; new flowers and new
 * crosses are added. Every faulty line is named; a dry run says what would change.
 */
export const importBook = command<ImportBook>({
  name: "cross.import",
  schema: Joi.object<ImportBook>({
    text: Joi.string().max(2_500_000).required().label("File").messages({
      "string.max": "The file is larger than two and a half megabytes.",
    }),
    dryRun: Joi.boolean().default(false),
  }),
  run(context, { text, dryRun }): Done {
    const lines = readBook(text);
    const rows = context.db
      .prepare(
        "SELECT s.*, l.name lineName, l.species, l.status, l.school, l.anthers FROM stand s JOIN line l ON l.id = s.lineId",
      )
      .all() as StandRow[];
    const season = Math.max(0, ...rows.filter((s) => s.sown <= context.today).map((s) => s.season));
    const byLine = new Map<string, StandRow[]>();
    for (const stand of rows.filter((s) => s.season === season)) {
      const key = stand.lineName.toLowerCase();
      byLine.set(key, [...(byLine.get(key) ?? []), stand]);
    }
    const intake = new Intake(context, new Map(rows.map((s) => [s.code, s])), byLine);
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
});
