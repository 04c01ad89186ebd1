import Joi from "joi";
import { type Id, isId } from "@/core/custody/id";
import { fromGlobe, type Origin, toGlobe } from "@/core/ground/geojson";
import { rectangleOf } from "@/core/ground/rectangle";
import { areaOf, cornersOf, crossesItself, type Plot, type Point } from "@/core/ground/shape";
import { BARRIER_FACTORS, type BarrierKind } from "@/core/isolation/barrier";
import type { Db } from "@/db/open";
import { refuse } from "@/db/ops";
import type { Row } from "@/db/rows";
import { barrier } from "../barrier/barrier";
import { bed } from "../bed/bed";
import { beds } from "../bed/queries";
import type { Garden } from "../garden/garden";
import type { AnyRecord, Fields } from "../record";
import { idOf, schemaOf } from "../schema";
import { source } from "../source/source";
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

/** Columns that a feature tells by its geometry, and what kind of thing it is; the others are told as they are kept. */
const DRAWN = new Set(["x", "y", "width", "length", "turn", "path", "outline", "kind"]);
const plainOf = ({ columns }: AnyRecord): Fields =>
  Object.fromEntries(
    Object.entries(columns as Fields)
      .filter(([column]) => !DRAWN.has(column))
      .map(([column, field]) => [column, field.kept()]),
  );
const PLAIN = { bed: plainOf(bed), barrier: plainOf(barrier), source: plainOf(source) };
type Table = keyof typeof PLAIN;

const isBarrier = (kind: unknown): kind is BarrierKind => Object.hasOwn(BARRIER_FACTORS, String(kind));
/** Which record a feature is of: by what it says it is, else a line is a hedge and all else grows something. */
const tableOf = (kind: unknown, type: unknown): Table =>
  kind === "bed" ? "bed" : isBarrier(kind) || (kind === undefined && type === "LineString") ? "barrier" : "source";

const SHARED = {
  kind: Joi.string().valid("bed", "hedge", "wall", "building", "tunnel", "neighbour", "field", "wild", "ornamental"),
  id: idOf(),
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
};
const PROPERTIES = {
  bed: schemaOf(PLAIN.bed).keys(SHARED),
  barrier: schemaOf(PLAIN.barrier).keys(SHARED),
  source: schemaOf(PLAIN.source).keys(SHARED),
};

/** Properties without those that are null where nothing can be: other programs write down what they do not know. */
const known = (table: Table, properties: object | null): object =>
  Object.fromEntries(
    Object.entries(properties ?? {}).filter(
      ([column, value]) => value !== null || PLAIN[table][column]?.absent.is === "kept-or-empty",
    ),
  );

/** What a feature's properties told, columns by their names. */
type Known = Row & { kind?: string; metres?: [number, number][]; bed?: Plot; id?: Id };

/** What the grower says once for features that do not say it themselves. */
export type Given = { species?: string | null; plants?: number | null; presence?: number | null };
/** One row of a file: of which record, its id where this garden wrote it, what the file told, and what stands in for a new one. */
export type Found = { table: Table; id: Id | undefined; told: Row; otherwise: Row };

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
  const table = tableOf(feature.properties?.kind ?? undefined, feature.geometry?.type);
  const { value, error } = PROPERTIES[table].validate(known(table, feature.properties), { stripUnknown: true });
  const kept = Object(value) as Known;
  const where = `Feature ${i + 1}${kept.name ? ` (${kept.name})` : ""}`;
  if (error) return refuse("text", `${where}: ${error.details[0]!.message.replace(/\.$/, "")}.`);
  const shape = pointsOf(feature, kept, origin, where);
  const type = feature.geometry.type;
  const kind = kept.kind ?? (type === "LineString" ? "hedge" : "field");
  const name = kept.name || `${kind} ${i + 1}`;
  const found = (drawn: Row, otherwise: Row): Found => ({
    table,
    id: isId(kept.id) ? kept.id : undefined,
    told: {
      ...(Object.fromEntries(Object.entries(kept).filter(([column]) => column in PLAIN[table])) as Row),
      ...drawn,
    },
    otherwise: { name, ...otherwise },
  });
  if (kind === "bed") {
    if (type !== "Polygon") return refuse("text", `${where}: a bed must be a polygon.`);
    return found(bedOf(shape, kept.bed, where), {});
  }
  if (isBarrier(kind)) {
    if (shape.length < 2) return refuse("text", `${where}: a ${kind} must be a line or a polygon.`);
    const path = type === "Polygon" ? [...shape, shape[0]!] : shape;
    const factor = BARRIER_FACTORS[kind];
    return found({ path: pointsToText(path), ...toldKind(kept) }, { kind, factor });
  }
  if (type === "LineString") return refuse("text", `${where}: a ${kind} must be a point or a polygon.`);
  const { species, plants } = { ...given, ...kept };
  if (!species) return refuse("species", `${where} does not say which species grows there. Choose one.`);
  if (!plants) return refuse("plants", `${where} does not say how many plants stand there. Give a number.`);
  const harm = kind === "wild" ? "wild" : "none";
  const otherwise = { kind, species, plants, presence: given.presence ?? 1, harm };
  return found({ outline: pointsToText(shape), ...toldKind(kept) }, otherwise);
}

const toldKind = ({ kind }: Known): Row => (kind === undefined ? {} : { kind });

/** The beds, barriers and sources of a GeoJSON text, checked. @throws Refusal naming the feature that can't be taken in */
export function readGround(text: string, origin: Origin, given: Given): Found[] {
  const found = parse(text).map((feature, i) => rowOf(feature, i, origin, given));
  const named = new Set<string>();
  for (const { table, id, told, otherwise } of found) {
    const name = told.name ?? otherwise.name;
    const key = id ?? `${table} ${name}`;
    if (named.has(key)) refuse("text", `The file holds two ${table}s named ${name}.`);
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
        const { version: _, x, y, width, length, turn, ...own } = bed;
        return feature(area(cornersOf(bed)), { kind: "bed", ...own, bed: { x, y, width, length, turn } });
      }),
      ...barriers(db).map(({ path, version: _, ...own }) =>
        feature(
          { type: "LineString", coordinates: path.map((p) => toGlobe(p, place)) },
          { ...own, metres: exact(path) },
        ),
      ),
      ...sources(db).map(({ outline, version: _, ...own }) =>
        feature(area(outline), { ...own, metres: exact(outline) }),
      ),
    ],
  };
}
