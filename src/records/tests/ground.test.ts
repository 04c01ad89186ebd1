import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { addDays } from "@/core/calendar/day";
import { beds } from "../bed/queries";
import { climateOf, readingStretch, readingsKept } from "../climate/queries";
import { garden as readGarden } from "../garden/queries";
import { writeGround } from "../ground/geojson";
import { barriers, sources } from "../ground/queries";
import { NOBODY, type Plot, plot } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

const ring = [
  [9.302, 48.6],
  [9.304, 48.6],
  [9.304, 48.601],
  [9.302, 48.601],
  [9.302, 48.6],
];
const feature = (geometry: object, properties: object = {}) => ({ type: "Feature", geometry, properties });
const polygon = (coordinates: unknown, properties: object = { species: "melon", plants: 100 }) =>
  feature({ type: "Polygon", coordinates }, properties);
const collection = (...features: object[]) => JSON.stringify({ type: "FeatureCollection", features });

test("a second bed of a name is told of when it is named so, and not at every other change", () => {
  expect(garden.done("bed.add", { name: "A", x: 60, y: 0, width: 4, length: 4 }).warnings).toHaveLength(1);
  expect(garden.done("bed.change", { id: 3, version: 1, name: "A", width: 5 }).warnings).toEqual([]);
  expect(garden.done("bed.change", { id: 3, version: 1, width: 6 }).warnings).toEqual([]);
  expect(garden.done("bed.change", { id: 3, version: 1, name: "B" }).warnings).toHaveLength(1);
});

test("a file of the ground names each thing but once, those without a name by where they stand in it", () => {
  const hedge = (name?: string) =>
    feature({ type: "LineString", coordinates: ring.slice(0, 2) }, { kind: "hedge", name });
  const taken = (...features: object[]) => {
    const before = barriers(garden.db).length;
    garden.done("ground.import", { text: collection(...features) });
    return barriers(garden.db).length - before;
  };
  expect(taken(hedge("east"), hedge("west"))).toBe(2);
  expect(taken(hedge(), hedge())).toBe(2);
  expect(garden.refused("ground.import", { text: collection(hedge("south"), hedge("south")) }).fields.text).toBe(
    "The file holds two barriers named south.",
  );
});

test("beds in rows come at once, named on from the first past what is taken, and go with one undo", () => {
  const rows = () => garden.db.prepare("SELECT count(*) FROM bed").pluck().get();
  const six = { name: "A1", x: 100, y: 0, width: 8, length: 1.2, turn: 90, count: 6, perRow: 3, path: 0.4 };
  garden.done("bed.add", { name: "A3", x: 60, y: 60, width: 4, length: 4 });
  const { message, ids, entry } = garden.done("bed.add", six);
  expect(message).toBe("6 beds added, A1 to A7");
  const made = ids.map((id) => garden.row("bed", id));
  expect(made.map((b) => b.name)).toEqual(["A1", "A2", "A4", "A5", "A6", "A7"]);
  // Turned by a quarter, their east lies south.
  expect(made.map((b) => [b.x, b.y])).toEqual([
    [100, 0],
    [100, -8.4],
    [100, -16.8],
    [101.6, 0],
    [101.6, -8.4],
    [101.6, -16.8],
  ]);
  const refused = garden.refused("bed.add", { ...six, count: 101, perRow: 0 });
  expect(Object.keys(refused.fields).sort()).toEqual(["count", "perRow"]);
  expect(rows()).toBe(9);
  garden.undone(entry);
  expect(rows()).toBe(3);
});

test("a field by distance and bearing lies square around its middle, one of no breadth is a point", () => {
  const field = { kind: "field", species: "melon", plants: 9, presence: 1, distance: 100, bearing: 90 };
  const outline = (across: number) => {
    const { id } = garden.done("source.add", { ...field, name: `field ${across}`, across });
    return JSON.parse(garden.row("source", id).outline as string);
  };
  expect(outline(10)).toEqual([
    [95, -5],
    [105, -5],
    [105, 5],
    [95, 5],
  ]);
  expect(outline(0)).toEqual([[100, 0]]);
});

test("what other programs write beside a shape does no harm: nothing where they know nothing, words of their own", () => {
  const ring = [
    [9.3, 48.6],
    [9.3001, 48.6],
    [9.3001, 48.6001],
    [9.3, 48.6],
  ];
  const feature = (properties: object) => ({
    text: JSON.stringify({ type: "Feature", geometry: { type: "Polygon", coordinates: [ring] }, properties }),
    species: "melon",
    plants: 4,
  });
  garden.done(
    "ground.import",
    feature({ name: null, note: 7, width: "wide", factor: "x", harm: null, flowersTo: null }),
  );
  expect(garden.row("source", 1)).toMatchObject({ name: "field 1", kind: "field", plants: 4, harm: "none" });
  const { fields } = garden.refused("ground.import", feature({ name: "b", kind: "hedge", factor: "x" }));
  expect(fields.text).toBe("Feature 1 (b): Share that passes must be a number.");
});

describe("the ground as GeoJSON", () => {
  test("goes out and comes back into an empty garden exactly, metres and all", () => {
    const place = { x: 0.1, y: 2.35, width: 8, length: 4, turn: 25 };
    garden.done("bed.change", { id: 1, version: 1, name: "A", ...place, note: "heavy; shade from three o'clock" });
    garden.done("barrier.add", {
      name: "wall",
      kind: "wall",
      factor: 0.35,
      path: [
        { x: 1, y: 2 },
        { x: 3.25, y: 9 },
      ],
    });
    garden.done("source.add", {
      name: "weeds",
      kind: "wild",
      species: "orach",
      plants: 5,
      presence: 0.6,
      distance: 77.7,
      bearing: 33,
      across: 9,
    });
    garden.done("source.add", {
      name: "one pot",
      kind: "ornamental",
      species: "cosmos",
      plants: 1,
      presence: 1,
      distance: 12,
      bearing: 270,
    });
    const text = JSON.stringify(writeGround(garden.db, readGarden(garden.db)));
    const other = plot();
    try {
      for (const { id } of beds(other.db)) other.done("bed.remove", { id, version: 1 });
      other.done("ground.import", { text });
      const without = (rows: object[]) => rows.map((row) => ({ ...row, id: "", version: "" }));
      for (const read of [beds, barriers, sources]) expect(without(read(other.db))).toEqual(without(read(garden.db)));
    } finally {
      other.close();
    }
  });

  test("another program's file needs no metres: a field comes in where its degrees say", () => {
    garden.done("ground.import", { text: JSON.stringify(polygon([ring])) });
    const [field] = sources(garden.db);
    expect(field).toMatchObject({ name: "field 1", kind: "field", species: "melon", plants: 100, presence: 1 });
    expect(field!.outline).toHaveLength(4);
    expect(field!.outline[0]!.x).toBeCloseTo(147, 0);
    expect(field!.outline[0]!.y).toBeCloseTo(0, 1);
  });

  test("a dry run says what would come in, and writes nothing", () => {
    const text = collection(
      polygon([ring], { name: "maize", species: "maize", plants: 9000 }),
      feature({ type: "LineString", coordinates: ring.slice(0, 2) }, { name: "row of poplars" }),
    );
    const { message, entry } = garden.done("ground.import", { text, dryRun: true });
    expect(message).toBe("Would come in: 1 barrier (row of poplars), 1 source (maize)");
    expect(entry).toBe("");
    expect(sources(garden.db)).toEqual([]);
    garden.done("ground.import", { text });
    expect(barriers(garden.db)).toMatchObject([{ name: "row of poplars", kind: "hedge", factor: 0.4 }]);
  });

  test("an edited map comes in again: what it moved is moved, what it left is left, what is new is new", () => {
    garden.done("source.add", {
      name: "weeds",
      kind: "wild",
      species: "orach",
      plants: 5,
      presence: 0.6,
      flowersFrom: "06-20",
      flowersTo: "07-30",
      distance: 77,
      bearing: 33,
      across: 9,
    });
    garden.done("stand.remedy", { season: 2027, changes: [{ kind: "agree", sourceId: 1 }] });
    garden.done("source.ask", { id: 1, version: garden.version("source", 1), answer: "agreed" });
    garden.done("bed.change", { id: 2, version: 1, turn: 30 });
    type Map = { features: { geometry: { coordinates: number[][][] }; properties: Record<string, unknown> }[] };
    const map = writeGround(garden.db, readGarden(garden.db)) as Map;
    const weeds = map.features.find((f) => f.properties.name === "weeds")!.properties;
    expect(weeds).toMatchObject({ flowersFrom: "06-20", flowersTo: "07-30", agreedSeason: 2027 });
    const of = (name: string) => map.features.find((f) => f.properties.name === name)!;
    // Bed A goes 0.001° north, about 111 m, and is called otherwise; B is turned by a map program that drops our metres.
    of("A").geometry.coordinates[0] = of("A").geometry.coordinates[0]!.map(([x, y]) => [x!, y! + 0.001]);
    of("A").properties.name = "north";
    const { turn, ...rest } = of("B").properties.bed as Record<string, number>;
    expect(turn).toBe(30);
    of("B").properties = { kind: "bed", name: "B", bed: { ...rest, turn: 35 } };
    const { message } = garden.done("ground.import", { text: JSON.stringify(map) });
    expect(message).toBe("Taken in: 1 bed (north) changed");
    const [north, b] = [garden.row("bed", 1), garden.row("bed", 2)];
    expect(north).toMatchObject({ name: "north", x: 0, width: 8, length: 4, turn: 0 });
    expect(north.y).toBeCloseTo(111.2, 0);
    expect(b).toMatchObject({ x: 30, y: 0, width: 8, length: 4, turn: 30 });
    expect(sources(garden.db)).toHaveLength(1);
  });

  test("a bed is a rectangle as it lies; anything else is refused", () => {
    const metre = 1 / 111_195;
    const east = metre / Math.cos((48.6 * Math.PI) / 180);
    const corner = (x: number, y: number) => [9.3 + x * east, 48.6 + y * metre];
    const turned = [corner(0, 0), corner(6, 3), corner(5, 5), corner(-1, 2), corner(0, 0)];
    garden.done("ground.import", { text: JSON.stringify(polygon([turned], { kind: "bed", name: "askew" })) });
    const askew = garden.row("bed", 3);
    expect(askew.width).toBeCloseTo(6.71, 1);
    expect(askew.length).toBeCloseTo(2.24, 1);
    expect(askew.turn).toBeCloseTo(360 - 26.6, 0);
    const skewed = [corner(0, 0), corner(6, 3), corner(9, 9), corner(-1, 2), corner(0, 0)];
    const text = JSON.stringify(polygon([skewed], { kind: "bed", name: "kite" }));
    expect(garden.refused("ground.import", { text }).fields.text).toContain("a bed is a rectangle");
  });

  const bowTie = [ring[0], ring[2], ring[1], ring[3], ring[0]];
  test.each<[string, string, string]>([
    ["no JSON", "beds: 3", "not JSON"],
    ["no GeoJSON", '{"type":"Topology"}', "not a GeoJSON feature"],
    ["no features", collection(), "no features"],
    [
      "a feature that is nothing",
      '{"type":"FeatureCollection","features":[null]}',
      "Feature 1 is not a GeoJSON feature",
    ],
    ["a shape named after what every object has", collection(feature({ type: "constructor" })), "only points, lines"],
    ["no shape at all", collection({ type: "Feature", geometry: null }), "only points, lines"],
    ["a polygon that crosses itself", collection(polygon([bowTie])), "Feature 1: the polygon crosses itself"],
    ["a polygon of no size", collection(polygon([[ring[0], ring[0], ring[0], ring[0]]])), "encloses no ground"],
    ["a polygon with a hole", collection(polygon([ring, ring])), "holes"],
    [
      "metres for degrees",
      collection(polygon([ring.map(([x, y]) => [x! * 1000, y! * 1000])])),
      "no longitude and latitude",
    ],
    [
      "a latitude beyond the pole",
      collection(feature({ type: "Point", coordinates: [9.3, 90.5] })),
      "9.3, 90.5 is no longitude and latitude",
    ],
    [
      "a longitude beyond the date line",
      collection(feature({ type: "Point", coordinates: [-180.5, 48.6] })),
      "-180.5, 48.6 is no longitude and latitude",
    ],
    ["another continent", collection(polygon([ring.map(([x, y]) => [x! - 90, y!])])), "km from the garden"],
    ["words for numbers", collection(polygon([[["a", "b"], ...ring.slice(1)]])), "coordinates can't be read"],
    [
      "a kind of shape not taken in",
      collection(feature({ type: "MultiPoint", coordinates: [] })),
      "only points, lines and polygons",
    ],
    [
      "two features of one name",
      collection(
        polygon([ring], { name: "x", species: "melon", plants: 1 }),
        polygon([ring], { name: "x", species: "melon", plants: 1 }),
      ),
      "two sources named x",
    ],
    [
      "a species nobody knows",
      collection(polygon([ring], { species: "mandrake" })),
      "Feature 1: Species is not one of the choices.",
    ],
    [
      "a bed of no width",
      collection(polygon([ring], { kind: "bed", name: "b", bed: { x: 0, y: 0, width: 0, length: 4 } })),
      "width",
    ],
  ])("%s is refused with a reason and nothing comes in", (_, text, words) => {
    const { fields } = garden.refused("ground.import", { text });
    expect(Object.values(fields).join()).toContain(words);
  });

  test("what a file leaves open is asked for", () => {
    const text = JSON.stringify(polygon([ring], {}));
    expect(garden.refused("ground.import", { text }).fields).toHaveProperty("species");
    expect(garden.refused("ground.import", { text, species: "melon" }).fields).toHaveProperty("plants");
    garden.done("ground.import", { text, species: "melon", plants: 40, presence: 0.5 });
    expect(sources(garden.db)).toMatchObject([{ species: "melon", plants: 40, presence: 0.5 }]);
    const again = garden.done("ground.import", { text, species: "melon", plants: 40, presence: 0.5 });
    expect(again).toMatchObject({ entry: "", message: "Taken in: nothing; the ground is as the file has it" });
  });
});

describe("barriers and outside pollen", () => {
  const source = { name: "x", kind: "field", species: "melon", plants: 5, presence: 1 };
  test.each<[string, object, string]>([
    ["source.add", { ...source, distance: -3, bearing: 0 }, "distance"],
    ["source.add", { ...source, bearing: 0 }, "distance"],
    ["source.add", { ...source, distance: 40 }, "bearing"],
    ["source.add", { ...source, distance: 40, bearing: 400 }, "bearing"],
    ["source.add", { ...source, distance: 40, bearing: 4, flowersFrom: "06-31", flowersTo: "07-01" }, "flowersFrom"],
    ["source.add", { ...source, distance: 40, bearing: 4, flowersFrom: "06-11" }, "flowersTo"],
    ["source.add", { ...source, plants: 0, distance: 4, bearing: 4 }, "plants"],
    [
      "source.add",
      {
        ...source,
        outline: [
          { x: 0, y: 0 },
          { x: 4, y: 4 },
          { x: 4, y: 0 },
          { x: 0, y: 4 },
        ],
      },
      "outline",
    ],
    [
      "source.add",
      {
        ...source,
        outline: [
          { x: 0, y: 0 },
          { x: 4, y: 4 },
        ],
      },
      "outline",
    ],
    ["barrier.add", { name: "h", kind: "hedge", path: [{ x: 1, y: 1 }] }, "path"],
    [
      "barrier.add",
      {
        name: "h",
        kind: "hedge",
        path: [
          { x: 1, y: 1 },
          { x: 1, y: 1 },
        ],
      },
      "path",
    ],
    [
      "barrier.add",
      {
        name: "h",
        kind: "moat",
        path: [
          { x: 1, y: 1 },
          { x: 2, y: 1 },
        ],
      },
      "kind",
    ],
    [
      "barrier.add",
      {
        name: "h",
        kind: "hedge",
        factor: 1.2,
        path: [
          { x: 1, y: 1 },
          { x: 2, y: 1 },
        ],
      },
      "factor",
    ],
    ["bed.add", { name: "b", x: 0, y: 0, width: 0, length: 3 }, "width"],
    ["bed.move", { id: 1, version: 1, turn: 360 }, "turn"],
  ])("%s %j is refused by %s", (name, input, field) => {
    expect(garden.refused(name, input).fields).toHaveProperty(field);
  });

  test("a wild stand does harm unless more is said, and distance and bearing find its place", () => {
    garden.done("source.add", { ...source, kind: "wild", distance: 100, bearing: 90, across: 10 });
    const [wild] = sources(garden.db);
    expect(wild!.harm).toBe("wild");
    expect(wild!.outline.map((p) => Math.round(p.x))).toEqual([95, 105, 105, 95]);
    garden.done("ground.move", { id: wild!.id, version: wild!.version, kind: "source", east: 1.5, north: -1 });
    expect(sources(garden.db)[0]!.outline[0]!.x).toBeCloseTo(96.5);
    expect(
      garden.refused("ground.move", { id: NOBODY, version: NOBODY, kind: "barrier", east: 1, north: 1 }).fields,
    ).toHaveProperty("id");
    garden.done("barrier.add", {
      name: "hedge",
      kind: "hedge",
      path: [
        { x: 0, y: 0 },
        { x: 10, y: 5 },
      ],
    });
    const [hedge] = barriers(garden.db);
    const { id, version } = hedge!;
    expect(garden.done("ground.move", { id, version, kind: "barrier", east: 1.5, north: -1 }).message).toBe(
      "hedge moved",
    );
    expect(barriers(garden.db)[0]!.path).toEqual([
      { x: 1.5, y: -1 },
      { x: 11.5, y: 4 },
    ]);
    expect(garden.refused("ground.move", { id, version, kind: "source", east: 1, north: 1 }).fields.id).toBe(
      "That is not on the ground any more.",
    );
  });
});

const days = (from: string, count: number) =>
  Array.from({ length: count }, (_, i) => `${addDays(from, i)},${(i % 7) - 2},${(i % 7) + 9}`);

const normals = (low: (m: number) => number) =>
  Object.fromEntries(
    Array.from({ length: 12 }, (_, i) => [
      [`min${i + 1}`, low(i)],
      [`max${i + 1}`, low(i) + 10],
    ]).flat(),
  );
const winter = (month: number) => 5 - 9 * Math.cos(((month + 0.5) / 6) * Math.PI);

describe("readings", () => {
  const file = (...lines: string[]) => ["date,min,max", ...lines].join("\n");

  test("come in from a file, replace earlier ones, and rule over the normals", () => {
    const { message } = garden.done("climate.import", { text: file(...days("2026-01-01", 500)) });
    expect(message).toBe("Readings imported: 500 days, 1 Jan 2026 to 15 May 2027");
    const again = garden.done("climate.import", { text: `Date;Max;Min\r\n2026-01-01;12,5;-1,5\r\n` });
    expect(again.message).toContain("1 of them over earlier ones");
    expect(climateOf(garden.db, garden.sky().today).measured.get(20_454)).toEqual({ min: -1.5, max: 12.5 });
    expect(climateOf(garden.db, garden.sky().today).measured.size).toBe(500);
  });

  test("are looked at first, days in one order and temperatures in one unit", () => {
    const american = ["Date,Tmin (°C),Tmax (°C)", ...["1/25/2026,−3,2", "3/4/2026,1,9", "12/1/2026,0,4"]].join("\n");
    expect(garden.refused("climate.import", { text: american, dryRun: true }).message).toBe(
      "To import: 3 days, 25 Jan 2026 to 1 Dec 2026 (month first).",
    );
    expect(readingStretch(garden.db).count).toBe(0);
    garden.done("climate.import", { text: american });
    expect(readingsKept(garden.db)).toEqual([
      { id: "2026-01-25", min: -3, max: 2 },
      { id: "2026-03-04", min: 1, max: 9 },
      { id: "2026-12-01", min: 0, max: 4 },
    ]);
    const unclear = file("3/4/2026,1,9");
    expect(garden.refused("climate.import", { text: unclear }).fields).toEqual({
      order: "Say which comes first in this file's days: the day or the month.",
    });
    garden.done("climate.import", { text: unclear, order: "day-first" });
    expect(readingsKept(garden.db).map(({ id }) => id)).toContain("2026-04-03");
  });

  test("in °F are changed to °C, by the file's heads or once it was said", () => {
    const january = "20260108,28,41";
    garden.done("climate.import", { text: `date,min_f,max_f\n${january}` });
    expect(readingsKept(garden.db)).toEqual([{ id: "2026-01-08", min: -2.22, max: 5 }]);
    // Hotter than any day: asked also where nothing is known of the place.
    for (const hot of ["20260708,41,60", "20260708,41,50.5"])
      expect(garden.refused("climate.import", { text: file(hot) }).fields).toHaveProperty("unit");
    expect(garden.refused("climate.import", { text: file("20260708,41,50"), dryRun: true }).kind).toBe("dry-run");
    // January is usually −4 to 6 °C here.
    garden.done("climate.normals", normals(winter));
    const asked = { unit: "Say if these temperatures are in °C or °F." };
    expect(garden.refused("climate.import", { text: file(january) }).fields).toEqual(asked);
    const { message } = garden.done("climate.import", { text: file(january), unit: "fahrenheit" });
    expect(message).toBe("Readings imported: 1 day, 8 Jan 2026 (from °F), 1 of them over earlier ones");
    garden.done("climate.import", { text: file("20260108,-2,4") });
    expect(garden.refused("climate.import", { text: file("20260708,60,88") }).fields).toEqual(asked);
    const both = "date,min (°C),max (°F)\n20260108,1,41";
    expect(garden.refused("climate.import", { text: both }).message).toBe(
      "One column is in °C and the other in °F. Write both in one.",
    );
    const other = { text: "date,min °C,max °C\n20260108,1,4", unit: "fahrenheit" };
    expect(garden.refused("climate.import", other).fields.unit).toBe(
      "The first line of the file names the other unit.",
    );
  });

  test("gaps are named and the normals stand in", () => {
    const { warnings } = garden.done("climate.import", {
      text: file(...days("2026-01-01", 10), ...days("2026-01-14", 3), ...days("2026-03-01", 2)),
    });
    expect(warnings).toEqual([
      "46 days are missing in 2 gaps, the longest 43 days from Sat 17 January 2026. The monthly normals stand in for them.",
    ]);
  });

  test.each<[string, string, string]>([
    [
      "wrong columns",
      "day,low,high\n2026-01-01,1,2",
      "must name the columns date, min and max; it names day, low, high",
    ],
    ["no rows", "date,min,max", "no readings"],
    ["a day that does not exist", file("2026-02-30,1,2"), "Line 2: “2026-02-30” is not a day"],
    ["a word for a number", file("2026-02-01,1,2", "2026-02-02,cold,2"), "Line 3: min must be a temperature"],
    ["an empty cell", file("2026-02-01,1,"), "Line 2: max must be a temperature"],
    ["the wrong way round", file("2026-02-01,9,2"), "Line 2: min 9 lies above max 2"],
    ["a day still to come", file("2027-07-10,1,2"), "Line 2: 10 Jul 2027 is still to come"],
    ["two columns of one name", "date,min,tmin,max\n2026-02-01,1,2,3", "Two columns are named min. Leave one out."],
    ["lost letters", file("2026-02-01,1,2\uFFFD"), "Save it as UTF-8"],
    ["a day twice", file("2026-02-01,1,2", "2026-02-01,1,2"), "stands on line 2 already"],
    ["a broken quote", file('2026-02-01,"1,2'), "can't be read as CSV"],
    ["more days than a life of gardening", file(...days("1990-01-01", 12_001)), "At most 12,000 days"],
  ])("%s is refused with its line, and nothing comes in", (_, text, words) => {
    expect(garden.refused("climate.import", { text }).fields.text).toContain(words);
  });

  test("a file of a million rows is refused before it is read", () => {
    const over = `date,min,max\n${"#".repeat(1_000_000)}`;
    expect(garden.refused("climate.import", { text: over }).fields.text).toContain("larger than a megabyte");
    const text = `date,min,max\n${"2026-01-01,1,2\n".repeat(1_000_000)}`;
    const from = performance.now();
    expect(garden.refused("climate.import", { text }).fields.text).toContain("larger than a megabyte");
    expect(performance.now() - from).toBeLessThan(2000);
  });
});

describe("normals and frost", () => {
  test("stated frost days rule until five seasons of readings are there; then the readings do", () => {
    garden.done("climate.normals", normals(winter));
    expect(climateOf(garden.db, garden.sky().today).frosts).toMatchObject({ from: "stated", last: { day: "05-20" } });
    garden.db.prepare("UPDATE garden SET lastFrost = NULL, firstFrost = NULL").run();
    expect(climateOf(garden.db, garden.sky().today).frosts?.from).toBe("normals");
    garden.done(
      "climate.normals",
      normals(() => 18),
    );
    expect(climateOf(garden.db, garden.sky().today).frosts).toBeNull();
    const cold = Array.from({ length: 365 * 6 }, (_, i) => {
      const day = addDays("2020-01-01", i);
      return `${day},${day.slice(5) < "05-05" || day.slice(5) > "10-10" ? -1 : 6},16`;
    });
    garden.done("climate.import", { text: ["date,min,max", ...cold].join("\n") });
    expect(climateOf(garden.db, garden.sky().today).frosts).toMatchObject({ from: "readings", last: { day: "05-04" } });
  });

  test("a month whose highest lies below its lowest is refused beside its field", () => {
    expect(garden.refused("climate.normals", { ...normals(winter), max7: -20 }).fields).toHaveProperty("max7");
    expect(garden.refused("climate.normals", { ...normals(winter), min3: undefined }).fields).toHaveProperty("min3");
  });

  test("the simulated station speaks only when it is asked for, up to its forecast", () => {
    garden.done("climate.normals", normals(winter));
    expect(climateOf(garden.db, garden.sky().today).measured.size).toBe(0);
    garden.db.prepare("UPDATE garden SET station = 'simulated'").run();
    const { measured } = climateOf(garden.db, garden.sky().today);
    expect(Math.max(...measured.keys())).toBe(21_008 + 5);
    expect(measured.size).toBeGreaterThan(2900);
  });
});

describe("wild kin beyond the fence", () => {
  const kin = { name: "wayside", kind: "wild", species: "quinoa", plants: 30, presence: 1, distance: 40, bearing: 0 };

  test("is kept under its own name, and is lost when it becomes another crop", () => {
    const { id, message } = garden.done("source.add", { ...kin, wild: "Fat hen" });
    expect(message).toBe("wayside, fat hen, put on the map");
    expect(garden.row("source", id)).toMatchObject({ species: "quinoa", wild: "Fat hen", harm: "wild" });
    const version = garden.version("source", id);
    garden.done("source.change", { id, version, plants: 5 });
    expect(garden.row("source", id)).toMatchObject({ wild: "Fat hen", plants: 5 });
    garden.done("source.change", { id, version: garden.version("source", id), species: "melon" });
    expect(garden.row("source", id)).toMatchObject({ species: "melon", wild: "" });
  });

  test("that a crop does not have is refused beside the field", () => {
    expect(garden.refused("source.add", { ...kin, wild: "Wild carrot" }).fields).toMatchObject({
      species: "Quinoa has no wild kin called Wild carrot here.",
    });
  });

  test("goes out with the ground's file and comes back as what it is", () => {
    garden.done("source.add", { ...kin, wild: "Fat hen" });
    const text = JSON.stringify(writeGround(garden.db, readGarden(garden.db)));
    garden.done("source.remove", { id: 1, version: garden.version("source", 1) });
    garden.done("ground.import", { text });
    expect(sources(garden.db).map(({ species, wild }) => [species, wild])).toEqual([["quinoa", "Fat hen"]]);
  });
});
