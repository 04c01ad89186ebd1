import Joi from "joi";
import { speciesById } from "@/catalogue/catalogue";
import type { Id } from "@/core/custody/id";
import { atBearing, cornersAround, type Point, snapped } from "@/core/ground/shape";
import { BARRIER_FACTORS } from "@/core/isolation/barrier";
import { plural } from "@/core/units/plural";
import { Refusal, refuse } from "@/db/ops";
import { prepared } from "@/db/rows";
import { barrier } from "../barrier/barrier";
import { bed } from "../bed/bed";
import { type Context, command } from "../command";
import { choice, given, metres, type Patch, real, ref, seen, yesNo } from "../record";
import { fileText } from "../schema";
import { source } from "../source/source";
import { namedTwice } from "../twice";
import { readGround } from "./geojson";
import { pointsOf, pointsToText } from "./points";

const coordinate = Joi.number().min(-100_000).max(100_000).required();
const points = (label: string, least: number) =>
  given<Point[]>(
    label,
    Joi.array()
      .items(Joi.object({ x: coordinate.label("East"), y: coordinate.label("North") }))
      .min(least)
      .max(500),
  ).saying({
    "array.base": "{{#label}}: write one point a line, east and north in metres with a comma between.",
    "array.min": `{{#label}} needs at least ${plural(least, "point")}.`,
  });

const path = points("The line of a barrier", 2);

const addBarrier = command(
  "barrier.add",
  { ...barrier.adding("name", "kind"), path, factor: barrier.columns.factor.optional() },
  (context, { path: drawn, factor, ...input }) => {
    const warnings = namedTwice(context, barrier, input.name);
    const row = { ...input, path: pointsToText(drawn), factor: factor ?? BARRIER_FACTORS[input.kind] };
    return { message: `${input.name} drawn`, id: context.write.insert(barrier, row), warnings };
  },
);

const changeBarrier = command(
  "barrier.change",
  {
    id: ref("barrier", "Barrier"),
    version: seen(),
    ...barrier.patching("name", "kind"),
    path: path.kept(),
    factor: barrier.columns.factor.optional().kept(),
  },
  ({ write }, { id, version, path: drawn, factor, ...patch }) => {
    const before = write.read(barrier, id);
    if (!before) throw new Refusal("That barrier is not on the ground any more.");
    const next: Patch<typeof barrier> = { ...patch };
    if (drawn) next.path = pointsToText(drawn);
    // Emptied, or a barrier of another kind of which nothing else is said: what such a one usually lets through.
    const rekinded = patch.kind && patch.kind !== before.kind && factor === undefined;
    if (typeof factor === "number") next.factor = factor;
    else if (factor === null || rekinded) next.factor = BARRIER_FACTORS[patch.kind ?? before.kind];
    write.update(barrier, id, next, version);
    return { message: `${patch.name ?? before.name} changed`, id };
  },
);

/** Takes a shape off the ground. */
const removing = <N extends string>(name: N, of: typeof barrier | typeof source, label: string) =>
  command(name, { id: ref(of.table, label), version: seen() }, ({ write }, { id, version }) => {
    const found = write.read(of, id);
    write.remove(of, id, version);
    return { message: `${found?.name} taken off the ground` };
  });

const removeBarrier = removing("barrier.remove", barrier, "Barrier");

/** Where a source is: an outline, or a distance and bearing from the garden's corner with the side of a square field. */
const where = {
  outline: points("The outline", 1).optional(),
  distance: real("Distance", { least: 0, most: 50_000 }).optional(),
  bearing: real("Bearing", { least: 0, below: 360.001 }).optional(),
  across: real("Across", { least: 0, most: 5000 }).optional(),
};
type Where = { outline?: Point[] | null; distance?: number | null; bearing?: number | null; across?: number | null };

function outlineOf({ outline, distance, bearing, across }: Where): string {
  if (outline) return pointsToText(outline);
  const far = distance ?? refuse("distance", "Say how far it is, and in which direction.");
  const towards = bearing ?? refuse("bearing", "Say in which direction it lies, as a bearing from north.");
  const corners = cornersAround(atBearing({ x: 0, y: 0 }, towards, far), across ?? 0, across ?? 0);
  return pointsToText(corners.map(({ x, y }) => ({ x: snapped(x, 0.001), y: snapped(y, 0.001) })));
}

const SOURCE = ["name", "kind", "species", "wild", "plants", "presence", "harm", "flowersFrom", "flowersTo"] as const;
/** Wild kin are never wanted, even where nothing else is said of them. */
const harmOf = ({ kind, harm }: { kind: string; harm: string }) =>
  (kind === "wild" && harm === "none" ? "wild" : harm) as "wild";

const addSource = command(
  "source.add",
  { ...source.adding(...SOURCE), ...where },
  (context, { outline, distance, bearing, across, ...input }) => {
    const shape = outlineOf({ outline, distance, bearing, across });
    const warnings = namedTwice(context, source, input.name);
    const id = context.write.insert(source, { ...input, harm: harmOf(input), outline: shape });
    const kind = (input.wild || speciesById(input.species).name).toLowerCase();
    return { message: `${input.name}, ${kind}, put on the map`, id, warnings };
  },
);

const changeSource = command(
  "source.change",
  {
    id: ref("source", "Source"),
    version: seen(),
    ...source.patching(...SOURCE),
    outline: where.outline.kept(),
    distance: where.distance.kept(),
    bearing: where.bearing.kept(),
    across: where.across.kept(),
  },
  ({ write }, { id, version, outline, distance, bearing, across, ...patch }) => {
    const before = write.read(source, id);
    if (!before) throw new Refusal("That pollen source is not on the ground any more.");
    const moved = outline || typeof distance === "number" || typeof bearing === "number";
    const next: Patch<typeof source> = { ...patch };
    // Another species without a word of wild kin is that crop itself.
    if (patch.species && patch.species !== before.species && patch.wild === undefined) next.wild = "";
    if (moved) next.outline = outlineOf({ outline, distance, bearing, across });
    if (patch.kind || patch.harm) next.harm = harmOf({ ...before, ...patch });
    write.update(source, id, next, version);
    return { message: `${patch.name ?? before.name} changed`, id };
  },
);

const removeSource = removing("source.remove", source, "Source");

const shifted = (text: string, east: number, north: number) => {
  const whole = (metres: number) => Math.round(metres * 1000) / 1000;
  return pointsToText(pointsOf(text).map(({ x, y }) => ({ x: whole(x + east), y: whole(y + north) })));
};

/** Moves a barrier or a source as a whole. */
const moveShape = command(
  "ground.move",
  {
    id: ref("barrier", "Shape"),
    version: seen(),
    kind: choice("Kind", ["barrier", "source"]),
    east: metres("East"),
    north: metres("North"),
  },
  ({ write }, { id, version, kind, east, north }) => {
    const gone = () => refuse("id", "That is not on the ground any more.");
    if (kind === "barrier") {
      const { name, path: drawn } = write.read(barrier, id) ?? gone();
      write.update(barrier, id, { path: shifted(drawn, east, north) }, version);
      return { message: `${name} moved`, id };
    }
    const { name, outline } = write.read(source, id) ?? gone();
    write.update(source, id, { outline: shifted(outline, east, north) }, version);
    return { message: `${name} moved`, id };
  },
);

const TABLES = { bed, barrier, source };
const counted = (one: string, names: string[]) =>
  `${plural(names.length, one)} (${names.slice(0, 4).join(", ")}${names.length > 4 ? ", …" : ""})`;

/** The row of a name, where it is the only one: a map program may have dropped the ids. */
function onlyOfName({ db }: Context, table: keyof typeof TABLES, name: string): Id | undefined {
  const ids = prepared(db, `SELECT id FROM "${table}" WHERE name = ? LIMIT 2`).pluck().all(name) as Id[];
  return ids.length === 1 ? ids[0] : undefined;
}

/**
 * Takes in a GeoJSON file, all or nothing. What this garden wrote comes back to its own rows; what the file knows no row
 * of is new. A dry run says what would come in and writes nothing.
 */
const importGround = command(
  "ground.import",
  {
    text: fileText("File", 1_000_000, "The file is larger than a megabyte."),
    species: source.columns.species.optional(),
    plants: source.columns.plants.optional(),
    presence: source.columns.presence.optional(),
    dryRun: yesNo("Only look"),
  },
  (context, { text, dryRun, ...given }) => {
    const { write, garden } = context;
    const found = readGround(text, garden, given);
    const fresh = { bed: [] as string[], barrier: [] as string[], source: [] as string[] };
    const changed = { bed: [] as string[], barrier: [] as string[], source: [] as string[] };
    for (const { table, id, told, otherwise } of found) {
      const name = String(told.name ?? otherwise.name);
      const own = (id && write.read(TABLES[table], id)?.id) || onlyOfName(context, table, name);
      const before = own && write.read(TABLES[table], own);
      if (!before) {
        fresh[table].push(name);
        if (!dryRun) write.insert(TABLES[table], { ...otherwise, ...told } as never);
        continue;
      }
      if (Object.entries(told).every(([column, value]) => before[column as "name"] === value)) continue;
      changed[table].push(name);
      if (!dryRun) write.update(TABLES[table], own, told as never);
    }
    const parts = (["bed", "barrier", "source"] as const).flatMap((table) => [
      ...(fresh[table].length ? [counted(table, fresh[table])] : []),
      ...(changed[table].length ? [`${counted(table, changed[table])} changed`] : []),
    ]);
    const words = parts.join(", ") || "nothing; the ground is as the file has it";
    return { message: `${dryRun ? "Would come in" : "Taken in"}: ${words}` };
  },
  ["garden", "bed", "barrier", "source"],
);

export const groundCommands = [
  addBarrier,
  changeBarrier,
  removeBarrier,
  addSource,
  changeSource,
  removeSource,
  moveShape,
  importGround,
] as const;
