import { BinaryBitmap, HybridBinarizer, MultiFormatReader, RGBLuminanceSource } from "@zxing/library";
import { PDFDocument, PDFPage } from "pdf-lib";
import { afterEach, describe, expect, test, vi } from "vitest";
import type { Kind } from "@/core/custody/code";
import { TAG_SIZES } from "@/core/custody/tagShape";
import type { TagText } from "../api/tags/tagLayout";
import { type SquareCode, smallestSides, tagsPdf, tooSmall } from "../api/tags/tagPdf";

afterEach(() => vi.restoreAllMocks());

const KINDS: Kind[] = ["cross", "stand", "family", "lot", "plant", "line", "flower", "vessel"];
const tag = (kind: Kind, more: Partial<TagText> = {}): TagText => ({
  kind,
  code: "X27-005-N112-K",
  title: "For seed: do not pick",
  lines: ["Lantern melon plant 12", "× Nettle Moon"],
  ...more,
});

type Box = { x: number; y: number; width: number; height: number };
type Drawn = {
  words: { words: string; size: number; box: Box }[];
  cells: Box[];
  page: { width: number; height: number };
};

/** What is put on the paper of one tag, in points. */
async function drawn(of: TagText, sides: { width: number; height: number }, code: SquareCode): Promise<Drawn> {
  const words: Drawn["words"] = [];
  const cells: Box[] = [];
  vi.spyOn(PDFPage.prototype, "drawText").mockImplementation((text, options) => {
    const { x, y, size, font } = options as {
      x: number;
      y: number;
      size: number;
      font: { widthOfTextAtSize: (t: string, s: number) => number };
    };
    words.push({
      words: text,
      size,
      box: { x, y: y - size * 0.2, width: font.widthOfTextAtSize(text, size), height: size },
    });
  });
  vi.spyOn(PDFPage.prototype, "drawRectangle").mockImplementation((options) => void cells.push(options as Box));
  const pdf = await PDFDocument.load(await tagsPdf([of], { ...sides, paper: "single", code }));
  vi.restoreAllMocks();
  return { words, cells, page: pdf.getPage(0).getSize() };
}

const DPI = 300;
/** Paper that a camera held over the square code sees around it, points. */
const AROUND = 4;

/** The square code and what lies close to it as a camera sees them: cells dark, and all words as dark blocks. */
function seen({ words, cells, page }: Drawn): BinaryBitmap {
  const scale = DPI / 72;
  const [width, height] = [Math.round(page.width * scale), Math.round(page.height * scale)];
  const light = new Uint8ClampedArray(width * height).fill(255);
  for (const { x, y, width: w, height: h } of [...cells, ...words.map(({ box }) => box)])
    for (let row = Math.round((page.height - y - h) * scale); row < Math.round((page.height - y) * scale); row++)
      for (let column = Math.round(x * scale); column < Math.round((x + w) * scale); column++)
        light[row * width + column] = 0;
  const [left, bottom] = [Math.min(...cells.map((c) => c.x)), Math.min(...cells.map((c) => c.y))];
  const [right, top] = [Math.max(...cells.map((c) => c.x + c.width)), Math.max(...cells.map((c) => c.y + c.height))];
  const px = (points: number) => Math.round(points * scale);
  const cropped = new RGBLuminanceSource(light, width, height).crop(
    px(left - AROUND),
    px(page.height - top - AROUND),
    px(right - left + 2 * AROUND),
    px(top - bottom + 2 * AROUND),
  );
  return new BinaryBitmap(new HybridBinarizer(cropped));
}

const meet = (a: Box, b: Box) =>
  a.x < b.x + b.width && a.x + a.width > b.x && a.y < b.y + b.height && a.y + a.height > b.y;

describe("a tag at every size that is offered", () => {
  for (const code of ["qr", "datamatrix"] as const)
    test.each(TAG_SIZES)(
      `$width × $height mm with a ${code}: whole code, all words, read back; or refused`,
      async (sides) => {
        // Every size with four kinds, two of them with each code; every kind in several sizes.
        const at = TAG_SIZES.findIndex(({ width }) => width === sides.width) + (code === "qr" ? 0 : 2);
        for (const kind of KINDS.filter((_, i) => (i + at) % 4 === 0)) {
          const of = tag(kind);
          const least = await smallestSides([of], { ...sides, paper: "single", code });
          const small = await tooSmall([of], { ...sides, paper: "single", code });
          if (small) {
            expect(small).toContain(`${sides.width} × ${sides.height} mm is too small`);
            expect(small).toContain(`need ${least.width} × ${least.height} mm`);
            expect(least.width * least.height).toBeGreaterThan(sides.width * sides.height);
            // What is said to hold it holds it.
            expect(await tooSmall([of], { ...least, paper: "single", code })).toBeNull();
          } else expect(least).toEqual(sides);
          const paper = await drawn(of, sides, code);
          const [said, all] = [
            paper.words.map(({ words }) => words).join(""),
            [of.code, of.title, ...of.lines].join(""),
          ];
          expect(said.replaceAll(/\s/g, "")).toBe(all.replaceAll(/\s/g, ""));
          const tagBox = { x: 4, y: 4, width: least.width, height: least.height };
          const mm = 72 / 25.4;
          for (const { size, box } of paper.words) {
            expect(size).toBeGreaterThanOrEqual(5);
            expect(box.x).toBeGreaterThan(tagBox.x * mm);
            expect(box.x + box.width).toBeLessThan((tagBox.x + tagBox.width) * mm);
            expect(box.y).toBeGreaterThan(tagBox.y * mm);
            expect(box.y + box.height).toBeLessThan((tagBox.y + tagBox.height) * mm);
            expect(paper.cells.some((cell) => meet(cell, box))).toBe(false);
          }
          expect(new MultiFormatReader().decode(seen(paper)).getText()).toBe(of.code);
        }
      },
    );

  test("a code breaks after its dashes only, and is never cut", async () => {
    const sides = { width: 40, height: 20 };
    const { words } = await drawn(tag("flower", { lines: [] }), sides, "qr");
    const lines = words
      .slice(
        0,
        words.findIndex(({ words: w }) => w.startsWith("For")),
      )
      .map(({ words: w }) => w);
    expect(lines.join("")).toBe("X27-005-N112-K");
    for (const line of lines.slice(0, -1)) expect(line).toMatch(/-$/);
  });
});

describe("the words of a tag", () => {
  const usual = { width: 90, height: 32 };
  const said = async (more: Partial<TagText>) => (await drawn(tag("lot", more), usual, "qr")).words;

  test("are Latin, Greek and Cyrillic letters in fonts that have them; what no font has is said to be missing", async () => {
    const names = ["Žluťoučký kůň Łódź", "Ντομάτα Σαντορίνης", "Чёрный принц"];
    const words = (await said({ title: "Ğüzel", lines: names })).map(({ words: w }) => w).join("");
    expect(words.replaceAll(/\s/g, "")).toBe(`X27-005-N112-KĞüzel${names.join("")}`.replaceAll(/\s/g, ""));
    const odd = (await said({ title: "黒 tomato", lines: ["x"] })).map(({ words: w }) => w);
    expect(odd.join("")).toContain("? tomato");
    expect(odd.join(" ")).toContain("stands for signs that no font here has");
    // Letters and their marks apart are one letter on the paper.
    expect((await said({ title: "Élan" })).map(({ words: w }) => w)).toContain("Élan");
    // What was copied out of a table has tabs between its words.
    expect((await said({ title: "Low\tKiln" })).map(({ words: w }) => w)).toContain("Low Kiln");
  });

  test("are wrapped, made smaller before they are made large paper of, and cut only past any name's length", async () => {
    const title = `${"Very long name of a bean ".repeat(5)}end`;
    const words = await said({ title });
    expect(words.map(({ words: w }) => w).join(" ")).toContain("bean end");
    expect(words.filter(({ words: w }) => w.includes("bean")).length).toBeGreaterThan(1);
    const endless = (await said({ title: "x".repeat(10_000) })).map(({ words: w }) => w).join("");
    expect(endless).toMatch(/x{100,160}…/);
  });
});
