import { PDFDocument } from "pdf-lib";
import sharp from "sharp";
import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { family, type Plot, plot } from "@/records/tests/plot";
import { sheetParts } from "@/screens/lines/releaseWords";
import { releaseView } from "@/views/release";
import { sheetPdf } from "../api/release/[code]/sheetPdf";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

const sheet = (lineId: string) => releaseView(garden.sky(), garden.code("line", lineId))!;
const words = (lineId: string) =>
  Object.fromEntries(
    sheetParts(sheet(lineId), "metric").flatMap(({ rows }) => rows.map(({ name, words: said }) => [name, said])),
  );

describe("a line's sheet", () => {
  test("describes it by what its plants showed, how it came about and how it is kept", () => {
    const { lineId, plants, stand } = family(garden);
    const add = (input: object) => garden.done("yardstick.add", { lineId, ...input }).id;
    const mass = add({ name: "Mass", kind: "number", unit: "kg", wanted: "high" });
    const flesh = add({
      name: "Flesh",
      kind: "category",
      categories: "orange, pale",
      wanted: "category",
      targetWord: "orange",
    });
    garden.on("2028-08-20");
    plants.forEach((plantId, i) => {
      garden.done("score.set", { plantId, yardstickId: mass, value: String(1 + i / 10) });
      garden.done("score.set", { plantId, yardstickId: flesh, value: i === 2 ? "pale" : "orange" });
    });
    garden.done("offkind.add", { lineId, name: "dwarf", look: "half as high", inheritance: "unknown" });
    garden.on("2029-01-05");
    const told = words(lineId);
    expect(told.Pedigree).toBe("Ashlar Gold/Nettle Moon");
    expect(told.Mass).toBe("1.20 kg, from 1.00 to 1.40; 5 plants");
    expect(told.Flesh).toBe("orange 80 %, pale 20 %");
    // Of those that are orange the nearest to 1.2 kg.
    expect(told["Typical plant"]).toBe(`plant 2 of ${garden.code("stand", stand)}`);
    expect(told.Roguing).toBe("before the first flower: dwarf (half as high)");
    expect(told["Bitter fruit can poison"]).toContain("spit it out");
    expect(told.Law).toContain("local law first");
    expect(sheet(lineId)).toMatchObject({
      grown: { seasons: [2028], generations: [1], plants: 5, parents: null },
      upkeep: { offTypes: [{ name: "dwarf", look: "half as high" }] },
      alike: [],
    });
    expect(releaseView(garden.sky(), "L99-001-X")).toBe(null);
  });

  test("as PDF it takes the pages it needs, in any script, and cuts what is longer than a line", async () => {
    const rows = Array.from({ length: 70 }, (_, i) => ({ name: `Row ${i}`, words: "Ли́пка, λεμόνι, ".repeat(8) }));
    const long = { name: "x".repeat(60), words: "y".repeat(400) };
    const pages = async (parts: Parameters<typeof sheetPdf>[2]) =>
      (await PDFDocument.load(await sheetPdf("Name", "Garden", parts))).getPageCount();
    expect(await pages([{ title: "Short", rows: [long] }])).toBe(1);
    expect(await pages([{ title: "Long", rows }])).toBeGreaterThan(2);
  });
});

describe("the picture of the typical plant", () => {
  const kept = async (parts: number) => {
    const bytes = await sharp({ create: { width: 1600, height: 400, channels: 3, background: "#804060" } })
      .jpeg()
      .toBuffer();
    const rows = Array.from({ length: parts }, (_, i) => ({ name: `Row ${i}`, words: "as it is" }));
    const photo = { bytes: new Uint8Array(bytes), words: "Typical: plant 2 of F28-001-A" };
    const [without, with_] = [
      await sheetPdf("Name", "Garden", [{ title: "Rows", rows }]),
      await sheetPdf("Name", "Garden", [{ title: "Rows", rows }], photo),
    ];
    const pages = async (pdf: Uint8Array) => (await PDFDocument.load(pdf)).getPageCount();
    return {
      added: with_.length - without.length,
      of: bytes.length,
      pages: [await pages(without), await pages(with_)],
    };
  };

  test("is on its sheet, no larger than its place: 240 by 60 points", async () => {
    const few = await kept(3);
    expect(few.added).toBeGreaterThan(few.of);
    expect(few.pages).toEqual([1, 1]);
    // 730 points less title, name and heading (27 + 14 + 31) hold 39 rows of 16.5; 84 for the picture take five of them.
    expect((await kept(38)).pages).toEqual([1, 2]);
    expect((await kept(32)).pages).toEqual([1, 1]);
  });
});

describe("it goes by its name", () => {
  const release = (lineId: string, name: string) => ({ id: lineId, version: 1, name, description: "as it is" });

  test("kept pure from that day, a mix still a mix; it can be undone", () => {
    const { lineId } = family(garden);
    const { entry } = garden.done("line.release", release(lineId, "Lantern"));
    expect(garden.row("line", lineId)).toMatchObject({
      school: "keep-pure",
      status: "open-pollinated",
      releasedOn: "2028-05-10",
      description: "as it is",
    });
    expect(garden.refused("line.release", release(lineId, "Other")).fields.id).toContain("already");
    garden.undone(entry);
    expect(garden.row("line", lineId)).toMatchObject({ school: "cross-and-fix", releasedOn: null });
    const mix = garden.done("line.add", { name: "Mix", species: "melon", school: "let-it-mix", status: "mix" }).id;
    garden.done("line.release", release(mix, "Meadow"));
    expect(garden.row("line", mix)).toMatchObject({ name: "Meadow", school: "let-it-mix", status: "mix" });
  });

  test("not by a name that would be taken for another of one's own; of another kind it may", () => {
    const { lineId } = family(garden);
    expect(garden.refused("line.release", release(lineId, "ashlar-golt")).fields.name).toContain("Ashlar Gold");
    garden.done("line.add", { name: "Lantern two", species: "pepper", school: "keep-pure", status: "open-pollinated" });
    garden.done("line.release", release(lineId, "Lantern two"));
    const ended = garden.done("line.add", {
      name: "Gone",
      species: "pepper",
      school: "keep-pure",
      status: "open-pollinated",
    }).id;
    garden.done("line.end", { id: ended, version: 1, ending: "lost" });
    expect(garden.refused("line.release", release(ended, "Gone")).fields.id).toContain("ended");
  });
});
