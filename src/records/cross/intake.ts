import type { Id } from "@/core/custody/id";
import { readPedigree } from "@/core/pedigree/notation";
import { Refusal } from "@/db/ops";
import type { Context } from "../command";
import { type Flower, flower as flowerRecord } from "../flower/flower";
import { flowersOfCross } from "../flower/queries";
import { flowerRule } from "../flower/rules";
import { plantsOfStand } from "../plant/queries";
import type { Patch } from "../record";
import { type Forecaster, forecaster } from "../stand/forecast";
import type { StandRow } from "../stand/queries";
import type { BookLine } from "./bookFile";
import {
  type Cells,
  CROSS,
  cellsOf,
  FLOWER,
  flowerRow,
  LineTrouble,
  MADE_ELSEWHERE,
  SCHEMAS,
  type Trouble,
} from "./bookLine";
import { cross as crossRecord } from "./cross";
import { planOne, usualPlan } from "./plan";
import { type CrossRow, crossByCode, crossById } from "./queries";

/** Cells that tell of a flower. */
const OF_FLOWER = (Object.keys(FLOWER) as (keyof typeof FLOWER)[]).filter(
  (name) => name !== "flower" && name !== "state",
);

/** Carries a file's lines out on the records, line by line; troubles are gathered. */
export class Intake {
  readonly changes: string[] = [];
  readonly troubles: Trouble[] = [];
  private readonly sky: Forecaster;
  private readonly made = new Map<string, Id>();
  private readonly codes = new Map<string, Id>();
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
      const nameless = OF_FLOWER.find((name) => cells[name] !== undefined);
      if (cells.flower === undefined && cells.state === undefined && nameless)
        throw new LineTrouble(`“${nameless}” tells of a flower: number it under “flower”, and say its “state”`);
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
      const code = label.toUpperCase();
      const found = this.codes.get(code) ?? crossByCode(db, code)?.id;
      if (found) this.codes.set(code, found);
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
    if (own.season !== null && own.season !== mother.season)
      throw new LineTrouble(
        `“season” is ${own.season}, but ${mother.code} grows in ${mother.season}; give a planting of ${own.season} as mother`,
      );
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
