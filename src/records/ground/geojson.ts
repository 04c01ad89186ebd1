import Joi from "joi";
import { SPECIES } from "@/catalogue/catalogue";
import { fromGlobe, type Origin, toGlobe } from "@/core/ground/geojson";
import { areaOf, cornersOf, crossesItself, type Plot, type Point } from "@/core/ground/shape";
import { BARRIER_FACTORS, type BarrierKind } from "@/core/isolation/barrier";
import { type Row, refuse } from "@/db/journal";
import type { Db } from "@/db/open";
import { beds, type Garden } from "../garden/queries";
import { barriers, pointsToText, sources } from "./queries";

type Feature = {
  type: "Feature";
  geometry: { type: string; coordinates: unknown };
  properties: Record<string, unknown> | null;
};

const MOST = 500;

const pair = Joi.array().items(Joi.number().required()).min(2).max(3);
const SHAPES: Record<string, Joi.Schema> = {
  Point: pair,
  LineString: Joi.array().items(pair).min(2).max(500),
  Polygon: Joi.array().items(Joi.array().items(pair).min(4).max(500)).min(1).max(1).messages({
    "array.max": "a polygon with holes can't be taken in",
  }),
};

const properties = Joi.object({
  kind: Joi.string().valid("bed", "hedge", "wall", "building", "tunnel", "neighbour", "field", "wild", "ornamental"),
  name: Joi.string().trim().max(120),
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
};

/** What the grower says once for features that do not say it themselves. */
export type Given = { species?: string; plants?: number; presence?: number };
export type Found = { table: "bed" | "barrier" | "source"; row: Row };

function parse(text: string): Feature[] {
  let read: unknown;
  try {
    read = JSON.parse(text);
  } catch {
    return refuse("text", "This is not JSON, so it can't be a GeoJSON file.");
  }
  const { type, features } = (read ?? {}) as { type?: unknown; features?: unknown };
  const list = type === "Feature" ? [read] : type === "FeatureCollection" && Array.isArray(features) ? features : null;
  if (!list) return refuse("text", "This is not a GeoJSON feature or collection of features.");
  if (list.length === 0) refuse("text", "The file holds no features.");
  if (list.length > MOST)
    refuse("text", `The file holds ${list.length} features; at most ${MOST} are taken in at once.`);
  return list as Feature[];
}

function pointsOf(feature: Feature, kept: Known, origin: Origin, where: string): Point[] {
  const { geometry } = feature;
  const schema = SHAPES[geometry?.type ?? ""];
  if (!schema)
    return refuse(
      "text",
      `${where}: only points, lines and polygons can be taken in, not ${geometry?.type ?? "nothing"}.`,
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

/** A bed that has no sides of its own on file is the upright rectangle around its polygon. */
function bedAround(shape: Point[]): Omit<Plot, "turn"> {
  const [xs, ys] = [shape.map((p) => p.x), shape.map((p) => p.y)];
  const [x, y] = [Math.min(...xs), Math.min(...ys)];
  return { x, y, width: Math.max(...xs) - x, length: Math.max(...ys) - y };
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
  if (kind === "bed") {
    if (type !== "Polygon") return refuse("text", `${where}: a bed must be a polygon.`);
    const { x, y, width, length, turn } = kept.bed ?? { ...bedAround(shape), turn: 0 };
    return { table: "bed", row: { name, x, y, width, length, turn, outside: kept.outside ?? 0 } };
  }
  if (kind in BARRIER_FACTORS) {
    if (shape.length < 2) return refuse("text", `${where}: a ${kind} must be a line or a polygon.`);
    const path = type === "Polygon" ? [...shape, shape[0]!] : shape;
    return {
      table: "barrier",
      row: { name, kind, path: pointsToText(path), factor: kept.factor ?? BARRIER_FACTORS[kind as BarrierKind] },
    };
  }
  if (type === "LineString") return refuse("text", `${where}: a ${kind} must be a point or a polygon.`);
  const species = kept.species ?? given.species;
  if (!species) return refuse("species", `${where} does not say which species grows there. Choose one.`);
  const plants = kept.plants ?? given.plants;
  if (!plants) return refuse("plants", `${where} does not say how many plants stand there. Give a number.`);
  const presence = kept.presence ?? given.presence ?? 1;
  const harm = kept.harm ?? (kind === "wild" ? "wild" : "none");
  return { table: "source", row: { name, kind, species, plants, presence, harm, outline: pointsToText(shape) } };
}

/** The beds, barriers and sources of a GeoJSON text, checked. @throws Refusal naming the feature that can't be taken in */
export function readGround(text: string, origin: Origin, given: Given): Found[] {
  const found = parse(text).map((feature, i) => rowOf(feature, i, origin, given));
  const names = new Set<string>();
  for (const { table, row } of found) {
    const key = `${table} ${row.name}`;
    if (names.has(key)) refuse("text", `The file holds two ${table}s named ${row.name}.`);
    names.add(key);
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
        const { name, x, y, width, length, turn, outside } = bed;
        return feature(area(cornersOf(bed)), { kind: "bed", name, outside, bed: { x, y, width, length, turn } });
      }),
      ...barriers(db).map(({ name, kind, path, factor }) =>
        feature(
          { type: "LineString", coordinates: path.map((p) => toGlobe(p, place)) },
          { kind, name, factor, metres: exact(path) },
        ),
      ),
      ...sources(db).map(({ name, kind, species, plants, presence, harm, outline }) =>
        feature(area(outline), { kind, name, species, plants, presence, harm, metres: exact(outline) }),
      ),
    ],
  };
}
