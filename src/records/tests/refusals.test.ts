import { afterEach, beforeEach, describe, expect, test } from "vitest";
import type { Id } from "@/core/custody/id";
import type { Refusal } from "@/db/ops";
import { undo } from "../command";
import { questionFrosts } from "../garden/rules";
import { family, madeOnce, NOBODY, type Plot, plot, twoMelons } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

type Made = ReturnType<typeof family> & {
  open: Id;
  covered: Id[];
  pollinated: Id;
  set: Id;
  gone: Id;
  out: Id;
  pepper: Id;
};

/** A family with a plant taken out and one marked out, a cross with a flower at every stage, and a crop of another kind. */
function oneOfEach(): Made {
  const all = family(garden);
  const { stand, plants } = all;
  garden.on("2028-07-20");
  const open = garden.done("cross.next-generation", {
    standId: stand,
    plantIds: [plants[0]],
    how: "self",
    fruitsEach: 2,
  }).ids[0]!;
  const first = garden.done("flower.cover", { crossId: open, flowers: 2, on: "2028-07-08" }).ids;
  garden.done("flower.record", {
    crossId: open,
    on: "2028-07-09",
    results: first.map((id) => ({ id, result: "pollinated" })),
  });
  garden.done("flower.record", { crossId: open, on: "2028-07-18", results: [{ id: first[0], result: "set" }] });
  const covered = garden.done("flower.cover", { crossId: open, flowers: 2, on: "2028-07-19" }).ids;
  garden.done("plant.remove", { ids: [plants[4]], reason: "split", on: "2028-07-19" });
  garden.done("plant.mark", { id: plants[3], mark: "out", reason: "pale" });
  const line = garden.done("line.add", { name: "Ember", species: "pepper", school: "keep-pure", status: "mix" }).id;
  const pepper = garden.done("stand.add", { lineId: line, sown: "2028-04-01", plants: 4 }).id;
  return { ...all, open, covered, pollinated: first[1]!, set: first[0]!, gone: plants[4]!, out: plants[3]!, pepper };
}

const once = madeOnce(oneOfEach, "2028-07-20");

function made(): Made {
  const { garden: whole, made: all } = once(garden);
  garden = whole;
  return all;
}

const book = (cells: Record<string, string | number>) => ({
  text: `${Object.keys(cells).join(",")}\n${Object.values(cells).join(",")}`,
});
const code = (table: string, id: Id) => garden.code(table, id);
const record = (crossId: Id, id: Id, result: string, more: object = {}) => ({
  crossId,
  on: "2028-07-20",
  results: [{ id, result, ...more }],
});
const next = (standId: Id, plantIds: Id[], how = "self") => ({ standId, plantIds, how, fruitsEach: 1 });
const father = (id: Id, ...candidates: object[]) => ({ of: "flower", id, role: "father", candidates });
const map = (geometry: object, properties: object = {}) => ({
  text: JSON.stringify({ type: "FeatureCollection", features: [{ type: "Feature", geometry, properties }] }),
});
const POINT = { type: "Point", coordinates: [9.3, 48.6] };
const LINE = {
  type: "LineString",
  coordinates: [
    [9.3, 48.6],
    [9.3001, 48.6],
  ],
};

/** What is refused, in which words, and the field that they stand beside. */
const REFUSED: [words: string, field: string, (of: Made) => [command: string, input: object]][] = [
  [
    "One of them is named twice",
    "candidates",
    ({ pollinated, stand }) => [
      "candidate.set",
      father(pollinated, { standId: stand, share: 0.5 }, { standId: stand, share: 0.5 }),
    ],
  ],
  [
    "One of these stands does not exist",
    "candidates",
    ({ pollinated }) => ["candidate.set", father(pollinated, { standId: NOBODY, share: 1 })],
  ],
  [
    "One of these plants does not stand there",
    "candidates",
    ({ pollinated, pepper, plants }) => [
      "candidate.set",
      father(pollinated, { standId: pepper, plantId: plants[0], share: 1 }),
    ],
  ],
  [
    "12,000 days at once",
    "text",
    () => ["climate.import", { text: `date,min,max\n${"2027-01-01,1,2\n".repeat(12_001)}` }],
  ],
  ["holds a list named rows", "text", () => ["cross.import", { text: '{"crosses":[]}' }]],
  ["Row 1 holds more than text and numbers", "text", () => ["cross.import", { text: '{"rows":[{"cross":["x"]}]}' }]],
  ["The column “colour”", "text", () => ["cross.import", book({ colour: "red" })]],
  [
    "plant 77 does not stand with the mother",
    "line 2",
    ({ open }) => [
      "cross.import",
      book({ cross: code("cross", open), flower: 50, onPlant: 77, covered: "2028-07-01", state: "covered" }),
    ],
  ],
  [
    "needs the day “covered”",
    "line 2",
    ({ open }) => ["cross.import", book({ cross: code("cross", open), flower: 50, state: "covered" })],
  ],
  ["there is no cross X28-999-", "line 2", () => ["cross.import", book({ cross: "X28-999-1", mother: "x" })]],
  ["“season” of X28-", "line 2", ({ open }) => ["cross.import", book({ cross: code("cross", open), season: 2030 })]],
  ["the “mother” is needed", "line 2", () => ["cross.import", book({ cross: "new", father: "x" })]],
  [
    "no stand Nowhere grows this season",
    "line 2",
    () => ["cross.import", book({ cross: "new", mother: "Nowhere", father: "x" })],
  ],
  [
    "mother plant 9 does not stand in",
    "line 2",
    ({ stand }) => [
      "cross.import",
      book({ cross: "new", mother: code("stand", stand), father: code("stand", stand), motherPlant: 9 }),
    ],
  ],
  [
    "fruit is brought in on the cross's page",
    "line 2",
    ({ open }) => [
      "cross.import",
      book({
        cross: code("cross", open),
        flower: 1,
        covered: "2028-07-08",
        pollinated: "2028-07-09",
        lastPass: "2028-07-09",
        checked: "2028-07-18",
        state: "harvested",
      }),
    ],
  ],
  [
    "“lastPass” lies before “pollinated”",
    "line 2",
    ({ open }) => [
      "cross.import",
      book({
        cross: code("cross", open),
        flower: 50,
        covered: "2028-07-01",
        pollinated: "2028-07-05",
        lastPass: "2028-07-04",
        state: "pollinated",
      }),
    ],
  ],
  [
    "an unusable flower needs its “fault”",
    "line 2",
    ({ open }) => [
      "cross.import",
      book({ cross: code("cross", open), flower: 50, covered: "2028-07-01", state: "unusable" }),
    ],
  ],
  [
    "“lostWhy” goes with the state lost",
    "line 2",
    ({ open }) => [
      "cross.import",
      book({ cross: code("cross", open), flower: 50, covered: "2028-07-01", state: "lost" }),
    ],
  ],
  [
    "One of these is no set fruit",
    "flowerIds",
    ({ open, pollinated }) => ["cross.harvest", { crossId: open, flowerIds: [pollinated], seeds: 9 }],
  ],
  ["Say how many fruits are brought in", "fruits", ({ open }) => ["cross.harvest", { crossId: open, seeds: 9 }]],
  ["That cross does not exist", "crossId", () => ["flower.cover", { crossId: NOBODY, flowers: 1 }]],
  ["Choose at least one", "plantIds", ({ stand }) => ["cross.next-generation", next(stand, [])]],
  [
    "Choose at least two plants",
    "plantIds",
    ({ stand, plants }) => ["cross.next-generation", next(stand, [plants[0]!], "intercross")],
  ],
  [
    "That plant does not stand in",
    "motherPlantId",
    ({ pepper, plants }) => ["cross.next-generation", next(pepper, [plants[0]!])],
  ],
  [
    "was taken out on 2028-07-19; it can't be a parent",
    "motherPlantId",
    ({ stand, gone }) => ["cross.next-generation", next(stand, [gone])],
  ],
  [
    "is marked out; take the mark off first",
    "motherPlantId",
    ({ stand, out }) => ["cross.next-generation", next(stand, [out])],
  ],
  ["That day is past", "sown", ({ open }) => ["cross.sow-again", { crossId: open, sown: "2028-07-19" }]],
  [
    "was sown on 2028-05-10",
    "on",
    ({ open }) => ["cross.cut-back", { crossId: open, parent: "mother", on: "2028-05-10" }],
  ],
  [
    "sow a second time instead",
    "sown",
    ({ open }) => ["cross.sow-on", { crossId: open, parent: "mother", sown: "2028-08-01" }],
  ],
  [
    "That plant does not stand in",
    "plantId",
    ({ cross, plants }) => ["flower.cover", { crossId: cross, flowers: 1, plantId: plants[0] }],
  ],
  [
    "was not pollinated; it can't be wrong father",
    "results",
    ({ open, covered }) => ["flower.record", record(open, covered[0]!, "wrong-father")],
  ],
  ["Say why it was lost", "results", ({ open, covered }) => ["flower.record", record(open, covered[0]!, "lost")]],
  [
    "is failed; it can't be lost",
    "results",
    ({ open, pollinated }) => {
      garden.done("flower.record", record(open, pollinated, "failed"));
      return ["flower.record", record(open, pollinated, "lost", { why: "slug" })];
    },
  ],
  ["has no such flower", "results", ({ open }) => ["flower.record", record(open, NOBODY, "set")]],
  [
    "holds a garden already",
    "form",
    () => ["garden.begin", { name: "Second", latitude: 1, longitude: 1, timezone: "UTC", units: "metric" }],
  ],
  ["can't be a GeoJSON file", "text", () => ["ground.import", { text: "{" }]],
  ["a bed must be a polygon", "text", () => ["ground.import", map(POINT, { kind: "bed", name: "b" })]],
  [
    "a field must be a point or a polygon",
    "text",
    () => ["ground.import", map(LINE, { kind: "field", name: "s", species: "melon", plants: 3 })],
  ],
  [
    "A barrier needs two different points",
    "path",
    () => [
      "barrier.add",
      {
        name: "b",
        kind: "wall",
        path: [
          { x: 1, y: 1 },
          { x: 1, y: 1 },
        ],
      },
    ],
  ],
  [
    "Give both days, or neither",
    "flowersTo",
    () => [
      "source.add",
      {
        name: "s",
        kind: "wild",
        species: "melon",
        plants: 3,
        presence: 1,
        distance: 9,
        bearing: 90,
        flowersFrom: "06-01",
      },
    ],
  ],
  [
    "That plant stands elsewhere",
    "plantIds",
    ({ pepper, plants }) => [
      "lot.save",
      { standId: pepper, plantIds: [plants[0]], kind: "self", gathered: "2028-07-20", seeds: 3 },
    ],
  ],
  ["was taken out on 2028-07-19", "mark", ({ gone }) => ["plant.mark", { id: gone, mark: "keep" }]],
  ["Choose at least one", "ids", () => ["plant.remove", { ids: [], reason: "x" }]],
  ["Say why it goes out", "reason", ({ plants }) => ["plant.mark", { id: plants[0], mark: "out" }]],
  [
    "Say how many seeds of the lot are sown",
    "sowedSeeds",
    ({ lot, lineId }) => ["stand.add", { lineId, lotId: lot, sown: "2028-07-01" }],
  ],
  [
    "Say how many seeds were sown",
    "sowedSeeds",
    ({ pepper }) => ["stand.change", { id: pepper, version: 1, cameUp: 3 }],
  ],
  ...(["upOn", "setOn", "ripeOn"] as const).map((column): (typeof REFUSED)[number] => [
    "That day is still to come",
    column,
    ({ stand }) => ["stand.change", { id: stand, version: 1, [column]: "2028-07-21" }],
  ]),
  ["Choose at least one", "ids", () => ["plant.marks", { ids: [], mark: "keep" }]],
  ["Say why it goes out", "reason", ({ plants }) => ["plant.marks", { ids: plants.slice(0, 2), mark: "out" }]],
  ["11 can't come up from 10 seeds", "cameUp", ({ stand }) => ["stand.change", { id: stand, version: 1, cameUp: 11 }]],
  [
    "flowers in its first year; no winter stands between",
    "overwinter",
    ({ pepper }) => ["stand.change", { id: pepper, version: 1, overwinter: "left" }],
  ],
  [
    "not of this line",
    "lotId",
    ({ lot, pepper }) => [
      "stand.add",
      { lineId: garden.row("stand", pepper).lineId, lotId: lot, sown: "2028-07-01", sowedSeeds: 2 },
    ],
  ],
  [
    "For this kind, wanted is one of: high, low, target",
    "wanted",
    ({ lineId }) => ["yardstick.add", { lineId, name: "Y", kind: "number", wanted: "yes" }],
  ],
  [
    "Say the target's value",
    "target",
    ({ lineId }) => ["yardstick.add", { lineId, name: "Y", kind: "number", wanted: "target" }],
  ],
  [
    "so that 1 and 9 mean the same next year",
    "highEnd",
    ({ lineId }) => ["yardstick.add", { lineId, name: "Y", kind: "scale", wanted: "high", lowEnd: "poor" }],
  ],
  [
    "at least two words",
    "categories",
    ({ lineId }) => ["yardstick.add", { lineId, name: "Y", kind: "category", wanted: "category", categories: "one" }],
  ],
  [
    "The wanted word must be one of the words",
    "targetWord",
    ({ lineId }) => [
      "yardstick.add",
      { lineId, name: "Y", kind: "category", wanted: "category", categories: "a, b", targetWord: "c" },
    ],
  ],
  [
    "The mean highest can't be below the mean lowest, 6 °C.",
    "max3",
    () => [
      "climate.normals",
      Object.fromEntries(
        Array.from({ length: 12 }, (_, i) => [
          [`min${i + 1}`, 6],
          [`max${i + 1}`, i === 2 ? 5 : 9],
        ]).flat(),
      ),
    ],
  ],
  [
    "belong to different crossing groups",
    "fatherStandId",
    ({ plan, pepper }) => ["cross.plan", { ...plan, fatherStandId: pepper }],
  ],
  [
    "belong to different crossing groups",
    "moreFathers",
    ({ plan, pepper }) => ["cross.plan", { ...plan, moreFathers: [{ standId: pepper }] }],
  ],
  [
    "Say in which direction it lies",
    "bearing",
    () => [
      "source.add",
      { name: "s", kind: "field", species: "melon", plants: 3, presence: 1, harm: "none", distance: 40 },
    ],
  ],
  ["a wall must be a line or a polygon", "text", () => ["ground.import", map(POINT, { kind: "wall", name: "w" })]],
  [
    "Stands and seed are kept under this line's species",
    "species",
    ({ lineId }) => ["line.change", { id: lineId, version: 1, species: "pepper" }],
  ],
  [
    "The shares make 150 %",
    "candidates",
    ({ set, mother }) => ["candidate.set", father(set, { standId: mother, share: 1 }, { share: 0.5 })],
  ],
  [
    "The shares make 97 %",
    "candidates",
    ({ set, mother }) => ["candidate.set", father(set, { standId: mother, share: 0.5 }, { share: 0.47 })],
  ],
  ["That day is still to come", "on", ({ open }) => ["flower.cover", { crossId: open, flowers: 1, on: "2028-07-21" }]],
];

describe("what can't be is refused in words, beside its field, and nothing is written", () => {
  test.each(REFUSED)("%s (%s)", (words, field, of) => {
    const [command, input] = of(made());
    const { message, fields } = garden.refused(command, input);
    expect(`${message} ${Object.values(fields).join(" ")}`).toContain(words);
    if (field !== "form") expect(Object.keys(fields)).toContain(field);
  });

  test.each([
    ["number", "1,234", "can be read in two ways"],
    ["number", "1000001", "takes a number from -1000000 to 1000000"],
    ["scale", "10", "takes a whole number from 1 to 9"],
    ["scale", "4.5", "takes a whole number from 1 to 9"],
    ["scale", "0", "takes a whole number from 1 to 9"],
    ["yes-no", "perhaps", "takes y or n"],
    ["date", "soon", "takes a day as 9 July or 2027-07-09, or days from sowing"],
    ["date", "2028-05-09", "before sowing or still to come"],
    ["date", "72", "before sowing or still to come"],
    ["category", "red", "takes one of: pale, dark"],
  ] as const)("a score on a %s of “%s”: %s", (kind, value, words) => {
    const { lineId, plants } = made();
    const wanted = { number: "high", scale: "high", "yes-no": "yes", date: "low", category: "category" }[kind];
    const more = {
      lowEnd: "poor",
      highEnd: "fine",
      ...(kind === "category" ? { categories: "pale, dark", targetWord: "dark" } : {}),
    };
    const yardstickId = garden.done("yardstick.add", { lineId, name: "Y", kind, wanted, ...more }).id;
    expect(garden.refused("score.set", { plantId: plants[0], yardstickId, value }).fields.value).toContain(words);
  });

  test("an own task is done once, put off to a day ahead, and is there to be done", () => {
    const { id } = garden.done("task.add", { title: "Clear the tunnel", due: "2027-07-09" });
    expect(garden.refused("task.put-off", { id, version: 1, due: "2027-07-09" }).fields.due).toContain("still to come");
    garden.done("task.done", { id, version: 1 });
    expect(garden.refused("task.done", { id, version: 1 }).message).toBe("Clear the tunnel was done on 9 Jul.");
    garden.done("task.remove", { id, version: 1 });
    expect(garden.refused("task.done", { id, version: NOBODY }).message).toBe("That task is not there any more.");
    expect(garden.refused("task.add", { title: "Weeding", due: "2027-07-09", every: 0 }).fields.every).toContain("1");
  });

  test("a second line of a name and species is told of the first, whether its name or its species became so", () => {
    const { lineId } = made();
    const add = (name: string, species: string) =>
      garden.done("line.add", { name, species, school: "keep-pure", status: "mix" });
    const first = add("Ember", "melon");
    expect(add("Ember", "melon").warnings).toEqual([
      `There is a line of that name and species already: ${first.code}.`,
    ]);
    const pepper = add("Lantern", "pepper");
    expect(pepper.warnings).toEqual([]);
    const lantern = `There is a line of that name and species already: ${garden.code("line", lineId)}.`;
    expect(garden.done("line.change", { id: pepper.id, version: 1, species: "melon" }).warnings).toEqual([lantern]);
    const renamed = garden.done("line.change", { id: first.id, version: 1, name: "Lantern" });
    expect(renamed.warnings).toHaveLength(1);
    expect(garden.done("line.change", { id: first.id, version: 1, origin: "a swap" }).warnings).toEqual([]);
  });

  test("no list is longer and no input deeper than an honest one", () => {
    const ids = (length: number) => ({ ids: Array.from({ length }, () => NOBODY) });
    expect(garden.refused("plant.remove", ids(2501)).message).toContain("more than one press can hold");
    expect(garden.refused("plant.remove", ids(2500)).message).not.toContain("more than one press can hold");
    const deep = (depth: number): unknown => (depth === 0 ? 1 : { ids: deep(depth - 1) });
    expect(garden.refused("plant.remove", deep(10) as object).message).toContain("more than one press can hold");
    expect(garden.refused("plant.remove", deep(9) as object).message).not.toContain("more than one press can hold");
  });

  test("a row seen in a version that nobody knows is not written over", () => {
    const { lineId } = made();
    const seen = { id: lineId, version: NOBODY };
    const { kind, message } = garden.refused("line.change", { ...seen, origin: "a swap", name: "Lantern" });
    expect(kind).toBe("conflict");
    expect(message).toContain("Origin is now “Ashlar Gold × Nettle Moon”");
    expect(message).not.toContain("Name");
    // What is there already is no quarrel.
    garden.done("line.change", { ...seen, name: "Lantern" });
  });

  test("frost days look like a slip in the other half of the year, and by hemisphere", () => {
    const months = Array.from({ length: 12 }, (_, i) => `${String(i + 1).padStart(2, "0")}-15`);
    const accepted = (latitude: number, column: "lastFrost" | "firstFrost", other: string) =>
      months.flatMap((day, i) => {
        const frosts = { lastFrost: other, firstFrost: other, [column]: day };
        try {
          questionFrosts({ latitude, ...frosts } as never, null);
          return [i + 1];
        } catch (refusal) {
          expect((refusal as Refusal).fields).toHaveProperty(column);
          return [];
        }
      });
    expect(accepted(48, "lastFrost", "07-15")).toEqual([1, 2, 3, 4, 5, 6, 7]);
    expect(accepted(48, "firstFrost", "07-15")).toEqual([7, 8, 9, 10, 11, 12]);
    expect(accepted(-37, "lastFrost", "07-15")).toEqual([7, 8, 9, 10, 11, 12]);
    expect(accepted(-37, "firstFrost", "07-15")).toEqual([1, 2, 3, 4, 5, 6, 7]);
    expect(accepted(24.9, "firstFrost", "07-15")).toHaveLength(12);
    expect(accepted(25, "firstFrost", "07-15")).toHaveLength(6);
  });

  test("a book's file can't change what a cross is of, and is told what it is", () => {
    const { cross } = made();
    const own = code("cross", cross);
    const told = (cells: Record<string, string | number>) =>
      garden.refused("cross.import", book({ cross: own, ...cells })).fields["line 2"];
    expect(told({ motherPlant: 3 })).toBe(`“motherPlant” of ${own} is empty; a file can't change it`);
    expect(told({ season: 2026 })).toBe(`“season” of ${own} is 2027; a file can't change it`);
  });

  test("maize does not flower again when it is cut back", () => {
    const [motherStandId, fatherStandId] = ["Low Kiln", "High Kiln"].map((name) => {
      const lineId = garden.done("line.add", { name, species: "maize", school: "keep-pure", status: "mix" }).id;
      return garden.done("stand.add", { lineId, sown: "2027-05-10", plants: 30 }).id;
    });
    const sure = { fruitsWanted: 2, setLow: 0.3, setHigh: 0.5, confidence: 0.9 };
    const crossId = garden.done("cross.plan", { motherStandId, fatherStandId, lineName: "Kilns", ...sure }).id;
    const { fields } = garden.refused("cross.cut-back", { crossId, parent: "mother", on: "2027-07-09" });
    expect(fields.parent).toContain("does not flower again when it is cut back.");
  });

  test("a flower that is over takes no result and no fault", () => {
    const { open, covered } = made();
    garden.done("flower.record", record(open, covered[0]!, "lost", { why: "slugs" }));
    const again = (result: string) => garden.refused("flower.record", record(open, covered[0]!, result)).fields.results;
    expect(again("torn-bag")).toContain("is lost; no fault can be written on it any more.");
    expect(again("pollinated")).toContain("is lost already.");
  });

  test("a score is one of a yardstick of the plant's own line", () => {
    const { plants, pepper } = made();
    const { lineId } = garden.row("stand", pepper) as { lineId: Id };
    const yardstickId = garden.done("yardstick.add", { lineId, name: "Heat", kind: "number", wanted: "low" }).id;
    expect(garden.refused("score.set", { plantId: plants[0], yardstickId, value: "3" }).fields.yardstickId).toBe(
      "That yardstick does not belong to this plant's line.",
    );
  });

  test("a cross that is closed takes no flower, and what the program did itself is not undone", () => {
    const { open } = made();
    garden.done("cross.adjust", { id: open, version: 1, closed: 1 });
    expect(garden.refused("flower.cover", { crossId: open, flowers: 1 }).message).toContain(
      "is closed. Open it again first.",
    );
    expect(undo(garden.db, NOBODY)).toMatchObject({ ok: false, message: "There is no such entry in the history." });
    const { plan } = twoMelons(garden);
    const taken = { ...plan, lineName: "Nettle Moon" };
    expect(garden.refused("cross.plan", taken).fields.lineName).toBe("Another line has that name already.");
  });
});
