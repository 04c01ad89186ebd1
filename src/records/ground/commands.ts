import Joi from "joi";
import { SPECIES, speciesById } from "@/catalogue/catalogue";
import { areaOf, atBearing, cornersOf, crossesItself, type Point } from "@/core/ground/shape";
import { BARRIER_FACTORS, type BarrierKind } from "@/core/isolation/barrier";
import { type Row, refuse } from "@/db/journal";
import type { Db } from "@/db/open";
import { command } from "../command";
import { count, dayOfYear, id, metres, name, version } from "../fields";
import { readGround } from "./geojson";
import { pointsToText } from "./queries";

const points = (label: string, least: number) =>
  Joi.array()
    .items(Joi.object({ x: metres("East").required(), y: metres("North").required() }))
    .min(least)
    .max(500)
    .label(label)
    .messages({
      "array.base": "{{#label}}: write one point a line, east and north in metres with a comma between.",
      "array.min": `{{#label}} needs at least ${least} ${least === 1 ? "point" : "points"}.`,
    });

function refuseTaken(db: Db, table: "barrier" | "source", called: string, except = 0): void {
  if (db.prepare(`SELECT 1 FROM ${table} WHERE name = ? AND id <> ?`).get(called, except))
    refuse("name", `There is a ${table} named ${called} already.`);
}

type BarrierInput = { name: string; kind: BarrierKind; path: Point[]; factor?: number };
const barrierFields = {
  name: name("Name").required(),
  kind: Joi.string().valid("hedge", "wall", "building", "tunnel").required().label("Kind"),
  path: points("The line of a barrier", 2).required(),
  factor: Joi.number().min(0).max(1).label("Share that passes"),
};

function barrierRow({ path, factor, kind, ...rest }: BarrierInput): Row {
  const long = path.some((p, i) => i > 0 && Math.hypot(p.x - path[i - 1]!.x, p.y - path[i - 1]!.y) > 0);
  if (!long) refuse("path", "A barrier needs two different points.");
  return { ...rest, kind, path: pointsToText(path), factor: factor ?? BARRIER_FACTORS[kind] };
}

const addBarrier = command<BarrierInput>({
  name: "barrier.add",
  schema: Joi.object<BarrierInput>(barrierFields),
  run({ db, write }, input) {
    refuseTaken(db, "barrier", input.name);
    return { message: `${input.name} drawn`, id: write.insert("barrier", barrierRow(input)) };
  },
});

const changeBarrier = command<BarrierInput & { id: number; version: number }>({
  name: "barrier.change",
  schema: Joi.object({ ...barrierFields, id: id().required(), version: version().required() }),
  run({ db, write }, { id: barrier, version: seen, ...input }) {
    refuseTaken(db, "barrier", input.name, barrier);
    write.update("barrier", barrier, barrierRow(input), seen);
    return { message: `${input.name} changed`, id: barrier };
  },
});

const remover = (table: "barrier" | "source") =>
  command<{ id: number }>({
    name: `${table}.remove`,
    schema: Joi.object<{ id: number }>({ id: id().required() }),
    run({ write }, { id: row }) {
      const found = write.read(table, row);
      write.remove(table, row);
      return { message: `${found?.name} taken off the ground` };
    },
  });

/** Where a source is: an outline, or a distance and bearing from the garden's corner with the side of a square field. */
type SourceInput = {
  name: string;
  kind: string;
  species: string;
  plants: number;
  presence: number;
  harm: string;
  flowersFrom?: string;
  flowersTo?: string;
  outline?: Point[];
  distance?: number;
  bearing?: number;
  across?: number;
};

const sourceFields = {
  name: name("Name").required(),
  kind: Joi.string().valid("neighbour", "field", "wild", "ornamental").required().label("What it is"),
  species: Joi.string()
    .valid(...SPECIES.map((s) => s.id))
    .required()
    .label("Species"),
  plants: count("Plants", 10_000_000).required(),
  presence: Joi.number().min(0.05).max(1).required().label("How sure"),
  harm: Joi.string().valid("none", "bitter", "hot", "male-sterile", "wild").default("none").label("Harm"),
  flowersFrom: dayOfYear("Flowers from"),
  flowersTo: dayOfYear("Flowers to"),
  outline: points("The outline", 1),
  distance: Joi.number().min(0).max(50_000).label("Distance"),
  bearing: Joi.number().min(0).less(360.001).label("Bearing"),
  across: Joi.number().min(0).max(5000).label("Across"),
};

/** A square of a side around a point; the point alone where it has no breadth. */
function square(middle: Point, side: number): Point[] {
  if (side === 0) return [middle];
  return cornersOf({ x: middle.x - side / 2, y: middle.y - side / 2, width: side, length: side, turn: 0 });
}

/** Refuses an outline that encloses nothing or crosses itself. */
function checkOutline(outline: Point[], field: string): void {
  if (outline.length === 1) return;
  if (crossesItself(outline)) refuse(field, "The outline crosses itself. Draw it round once, without loops.");
  if (outline.length === 2 || areaOf(outline) < 0.01) refuse(field, "The outline encloses no ground.");
}

function sourceRow(input: SourceInput): Row {
  const { outline, distance, bearing, across, flowersFrom, flowersTo, ...rest } = input;
  if ((flowersFrom === undefined) !== (flowersTo === undefined))
    refuse(flowersFrom === undefined ? "flowersFrom" : "flowersTo", "Give both days, or neither.");
  if (!outline && distance === undefined) refuse("distance", "Say how far it is, and in which direction.");
  if (!outline && bearing === undefined) refuse("bearing", "Say in which direction it lies, as a bearing from north.");
  const shape = outline ?? square(atBearing({ x: 0, y: 0 }, bearing!, distance!), across ?? 0);
  checkOutline(shape, "outline");
  const harm = rest.kind === "wild" && rest.harm === "none" ? "wild" : rest.harm;
  return {
    ...rest,
    harm,
    outline: pointsToText(shape),
    flowersFrom: flowersFrom ?? null,
    flowersTo: flowersTo ?? null,
  };
}

const addSource = command<SourceInput>({
  name: "source.add",
  schema: Joi.object<SourceInput>(sourceFields),
  run({ db, write }, input) {
    refuseTaken(db, "source", input.name);
    const made = write.insert("source", sourceRow(input));
    return { message: `${input.name}, ${speciesById(input.species).name.toLowerCase()}, put on the map`, id: made };
  },
});

const changeSource = command<SourceInput & { id: number; version: number }>({
  name: "source.change",
  schema: Joi.object({ ...sourceFields, id: id().required(), version: version().required() }),
  run({ db, write }, { id: source, version: seen, ...input }) {
    refuseTaken(db, "source", input.name, source);
    write.update("source", source, sourceRow(input), seen);
    return { message: `${input.name} changed`, id: source };
  },
});

type MoveShape = { id: number; kind: "barrier" | "source"; east: number; north: number };

/** Moves a barrier or a source as a whole. */
const moveShape = command<MoveShape>({
  name: "ground.move",
  schema: Joi.object<MoveShape>({
    id: id().required(),
    kind: Joi.string().valid("barrier", "source").required(),
    east: metres("East").required(),
    north: metres("North").required(),
  }),
  run({ write }, { id: row, kind, east, north }) {
    const column = kind === "barrier" ? "path" : "outline";
    const found = write.read(kind, row);
    if (!found) return refuse("id", "That is not on the ground any more.");
    const moved = (JSON.parse(found[column] as string) as [number, number][]).map(([x, y]) => ({
      x: Math.round((x + east) * 1000) / 1000,
      y: Math.round((y + north) * 1000) / 1000,
    }));
    write.update(kind, row, { [column]: pointsToText(moved) });
    return { message: `${found.name} moved`, id: row };
  },
});

type ImportGround = { text: string; species?: string; plants?: number; presence?: number; dryRun: boolean };

/** Takes in a GeoJSON file, all or nothing. A dry run says what would come in and writes nothing. */
const importGround = command<ImportGround>({
  name: "ground.import",
  schema: Joi.object<ImportGround>({
    text: Joi.string().max(1_000_000).required().label("File").messages({
      "string.max": "The file is larger than a megabyte.",
    }),
    species: Joi.string()
      .valid(...SPECIES.map((s) => s.id))
      .label("Species"),
    plants: count("Plants", 10_000_000).label("Plants"),
    presence: Joi.number().min(0.05).max(1).label("How sure"),
    dryRun: Joi.boolean().default(false),
  }),
  run({ db, write, garden }, { text, dryRun, ...given }) {
    const found = readGround(text, garden, given);
    for (const { table, row } of found) {
      const taken = db.prepare(`SELECT 1 FROM "${table}" WHERE name = ?`).get(row.name);
      if (taken) refuse("text", `There is a ${table} named ${row.name} on the ground already. Nothing was taken in.`);
      if (!dryRun) write.insert(table, row);
    }
    const of = (table: string) => found.filter((f) => f.table === table).map((f) => f.row.name as string);
    const parts = [
      ["bed", "beds"],
      ["barrier", "barriers"],
      ["source", "sources"],
    ].flatMap(([one, many]) => {
      const names = of(one!);
      return names.length
        ? [
            `${names.length} ${names.length === 1 ? one : many} (${names.slice(0, 4).join(", ")}${names.length > 4 ? ", …" : ""})`,
          ]
        : [];
    });
    return { message: `${dryRun ? "Would come in" : "Taken in"}: ${parts.join(", ")}` };
  },
});

export const groundCommands = [
  addBarrier,
  changeBarrier,
  remover("barrier"),
  addSource,
  changeSource,
  remover("source"),
  moveShape,
  importGround,
];
