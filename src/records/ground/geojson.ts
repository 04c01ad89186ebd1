import Joi from "joi";
import { SPECIES } from "@/catalogue/catalogue";
import { type Id, isId } from "@/core/custody/id";
import { fromGlobe, type Origin, toGlobe } from "@/core/ground/geojson";
import { rectangleOf } from "@/core/ground/rectangle";
import { areaOf, cornersOf, crossesItself, type Plot, type Point } from "@/core/ground/shape";
import { BARRIER_FACTORS, type BarrierKind } from "@/core/isolation/barrier";
import type { Db } from "@/db/open";
import { refuse } from "@/db/ops";
import type { Row } from "@/db/rows";
import { beds } from "../bed/queries";
import type { Garden } from "../garden/garden";
import { idOf, words } from "../schema";
import { pointsToText } from "./points";
import { barriers, sources } from "./queries";

type Feature = {
  type: "Feature";
  geometry: { type: string; coordinates: unknown };
  properties: Record<string, unknown> | null;
};

const MOST = 500;

const pair = Joi.array().items(Joi.number().required()).min(2).max(3);
const SHAPES: ReadonlyMap<unknown, Joi.Schema> = new Map<unknown, Joi.Schema>([
  ["Point", pair],
  ["LineString", Joi.array().items(pair).min(2).max(500)],
  [
    "Polygon",
    Joi.array().items(Joi.array().items(pair).min(4).max(500)).min(1).max(1).messages({
      "array.max": "a polygon with holes can't be taken in",
    }),
  ],
]);

const monthDay = Joi.string()
  .pattern(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/)
  .allow(null);

const properties = Joi.object({
  kind: Joi.string().valid("bed", "hedge", "wall", "building", "tunnel", "neighbour", "field", "wild", "ornamental"),
  id: idOf(),
  name: words(120),
  metres: Joi.array()
    .items(Joi.array().items(Joi.number().min(-100_000).max(100_000)).length(2))
    .max(500),
  bed: Joi.object({
    x: Joi.number().required(),
    y: Joi.number().required(),
    width: Joi.number().min(0.1).max(10_000).required(),
    length: Joi.number().min(0.1).max(10_000).required(),
    turn: Joi.number().min(0).less(360).default(0),
  }),
  species: Joi.string().valid(...SPECIES.map((s) => s.id)),
  plants: Joi.number().integer().min(1).max(10_000_000),
  presence: Joi.number().min(0.05).max(1),
  harm: Joi.string().valid("none", "bitter", "hot", "male-sterile", "wild"),
  factor: Joi.number().min(0).max(1),
  outside: Joi.number().valid(0, 1),
  flowersFrom: monthDay,
  flowersTo: monthDay,
  agreedSeason: Joi.number().integer().min(1900).max(2200).allow(null),
}).unknown(true);

type Known = {
  kind?: string;
  name?: string;
  metres?: [number, number][];
  bed?: Plot;
  species?: string;
  plants?: number;
  presence?: number;
  harm?: string;
  factor?: number;
  outside?: number;
  id?: Id;
  flowersFrom?: string | null;
  flowersTo?: string | null;
  agreedSeason?: number | null;
};

/** What the grower says once for features that do not say it themselves. */
export type Given = { species?: string | null; plants?: number | null; presence?: number | null };
/**
 * One row of a file: of which record, its id where this garden wrote it, and which of its columns the file told; the others
 * hold what stands in for a new one.
 */
export type Found = { table: "bed" | "barrier" | "source"; row: Row; id: Id | undefined; told: Set<string> };

function parse(text: string): Feature[] {
  let read: unknown;
  try {
    read = JSON.parse(text);
  } catch {
    return refuse("text", "This is not JSON, so it can't be a GeoJSON file.");
  }
  const { type, features } = Object(read) as { type?: unknown; features?: unknown };
  const list = type === "Feature" ? [read] : type === "FeatureCollection" && Array.isArray(features) ? features : null;
  if (!list) return refuse("text", "This is not a GeoJSON feature or collection of features.");
  if (list.length === 0) refuse("text", "The file holds no features.");
  if (list.length > MOST)
    refuse("text", `The file holds ${list.length} features; at most ${MOST} are taken in at once.`);
  const strange = list.findIndex(
    (feature) => typeof feature !== "object" || feature === null || Array.isArray(feature),
  );
  if (strange >= 0) refuse("text", `Feature ${strange + 1} is not a GeoJSON feature.`);
  return list as Feature[];
}

function pointsOf(feature: Feature, kept: Known, origin: Origin, where: string): Point[] {
  const { geometry } = feature;
  const schema = SHAPES.get(Object(geometry).type);
  if (!schema)
    return refuse(
      "text",
      `${where}: only points, lines and polygons can be taken in, not ${JSON.stringify(Object(geometry).type) ?? "nothing"}.`,
    );
  const { error } = schema.validate(geometry.coordinates, { convert: false });
  if (error) return refuse("text", `${where}: its coordinates can't be read: ${error.message}.`);
  const { coordinates, type } = geometry as { type: string; coordinates: never };
  const globe = (
    type === "Point" ? [coordinates] : type === "Polygon" ? (coordinates as number[][][])[0]!.slice(0, -1) : coordinates
  ) as [number, number][];
  const outside = globe.find(([lon, lat]) => Math.abs(lon) > 180 || Math.abs(lat) > 90);
  if (outside) refuse("text", `${where}: ${outside.join(", ")} is no longitude and latitude. GeoJSON is in degrees.`);
  const drawn = globe.map(([lon, lat]) => fromGlobe([lon, lat], origin));
  // Metres written by this program are exact, as long as they lie where the degrees say.
  const exact = kept.metres?.map(([x, y]) => ({ x, y }));
  const same =
    exact?.length === drawn.length && exact.every((p, i) => Math.hypot(p.x - drawn[i]!.x, p.y - drawn[i]!.y) < 0.05);
  const shape = same ? exact : drawn;
  const far = shape.find((p) => Math.hypot(p.x, p.y) > 50_000);
  if (far)
    refuse(
      "text",
      `${where}: lies ${Math.round(Math.hypot(far.x, far.y) / 1000)} km from the garden. Check the file or the garden's place.`,
    );
  if (type === "Polygon" && crossesItself(shape)) refuse("text", `${where}: the polygon crosses itself.`);
  if (type === "Polygon" && areaOf(shape) < 0.01) refuse("text", `${where}: the polygon encloses no ground.`);
  return shape;
}

const CORNER = 0.05;
const near = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y) < CORNER;

/** The bed that a polygon draws: with the sides it was written with where its corners still lie there, else as it lies. */
function bedOf(shape: Point[], kept: Plot | undefined, where: string): Plot {
  if (kept && cornersOf(kept).every((corner) => shape.some((p) => near(p, corner)))) return kept;
  return (
    rectangleOf(shape, kept?.turn ?? 0) ??
    refuse("text", `${where}: a bed is a rectangle; this has ${shape.length} corners or no right angles.`)
  );
}

function rowOf(feature: Feature, i: number, origin: Origin, given: Given): Found {
  const { value: kept, error } = properties.validate(feature.properties ?? {}, { stripUnknown: true }) as {
    value: Known;
    error?: Error;
  };
  const where = `Feature ${i + 1}${kept?.name ? ` (${kept.name})` : ""}`;
  if (error) return refuse("text", `${where}: ${error.message}.`);
  const shape = pointsOf(feature, kept, origin, where);
  const type = feature.geometry.type;
  const kind = kept.kind ?? (type === "LineString" ? "hedge" : "field");
  const name = kept.name || `${kind} ${i + 1}`;
  const told = (row: Row, always: string[]): Set<string> =>
    new Set([...always, ...Object.keys(row).filter((column) => kept[column as keyof Known] !== undefined)]);
  const id = isId(kept.id) ? kept.id : undefined;
  if (kind === "bed") {
    if (type !== "Polygon") return refuse("text", `${where}: a bed must be a polygon.`);
    const row = { name, ...bedOf(shape, kept.bed, where), outside: kept.outside ?? 0 };
    return { table: "bed", row, id, told: told(row, ["x", "y", "width", "length", "turn"]) };
  }
  if (Object.hasOwn(BARRIER_FACTORS, kind)) {
    if (shape.length < 2) return refuse("text", `${where}: a ${kind} must be a line or a polygon.`);
    const path = type === "Polygon" ? [...shape, shape[0]!] : shape;
    const factor = kept.factor ?? BARRIER_FACTORS[kind as BarrierKind];
    const row = { name, kind, path: pointsToText(path), factor };
    return { table: "barrier", row, id, told: told(row, ["path"]) };
  }
  if (type === "LineString") return refuse("text", `${where}: a ${kind} must be a point or a polygon.`);
  const species = kept.species ?? given.species;
  if (!species) return refuse("species", `${where} does not say which species grows there. Choose one.`);
  const plants = kept.plants ?? given.plants;
  if (!plants) return refuse("plants", `${where} does not say how many plants stand there. Give a number.`);
  const presence = kept.presence ?? given.presence ?? 1;
  const harm = kept.harm ?? (kind === "wild" ? "wild" : "none");
  const { flowersFrom = null, flowersTo = null, agreedSeason = null } = kept;
  const days = { flowersFrom, flowersTo, agreedSeason };
  const row = { name, kind, species, plants, presence, harm, outline: pointsToText(shape), ...days };
  return { table: "source", row, id, told: told(row, ["outline"]) };
}

/** The beds, barriers and sources of a GeoJSON text, checked. @throws Refusal naming the feature that can't be taken in */
export function readGround(text: string, origin: Origin, given: Given): Found[] {
  const found = parse(text).map((feature, i) => rowOf(feature, i, origin, given));
  const named = new Set<string>();
  for (const { table, id, row } of found) {
    const key = id ?? `${table} ${row.name}`;
    if (named.has(key)) refuse("text", `The file holds two ${table}s named ${row.name}.`);
    named.add(key);
  }
  return found;
}

/** The ground as GeoJSON: degrees for other programs, and the metres beside them for this one. */
export function writeGround(db: Db, place: Garden): object {
  const ring = (points: Point[]) => [...points, points[0]!].map((p) => toGlobe(p, place));
  const exact = (points: Point[]) => points.map(({ x, y }) => [x, y]);
  const feature = (geometry: object, own: object): object => ({ type: "Feature", geometry, properties: own });
  const area = (points: Point[]) =>
    points.length === 1
      ? { type: "Point", coordinates: toGlobe(points[0]!, place) }
      : { type: "Polygon", coordinates: [ring(points)] };
  return {
    type: "FeatureCollection",
    features: [
      ...beds(db).map((bed) => {
        const { id, name, x, y, width, length, turn, outside } = bed;
        return feature(area(cornersOf(bed)), { kind: "bed", id, name, outside, bed: { x, y, width, length, turn } });
      }),
      ...barriers(db).map(({ id, name, kind, path, factor }) =>
        feature(
          { type: "LineString", coordinates: path.map((p) => toGlobe(p, place)) },
          { kind, id, name, factor, metres: exact(path) },
        ),
      ),
      ...sources(db).map(({ outline, version: _, ...own }) =>
        feature(area(outline), { ...own, metres: exact(outline) }),
      ),
    ],
  };
}
