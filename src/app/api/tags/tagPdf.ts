import { readFile } from "node:fs/promises";
import { join } from "node:path";
import fontkit from "@pdf-lib/fontkit";
import bwip from "bwip-js/node";
import { PDFDocument, type PDFFont, type PDFPage, rgb } from "pdf-lib";
import type { Kind } from "@/core/custody/code";
import { tagOutline } from "@/core/custody/tagShape";

export type TagText = { kind: Kind; code: string; title: string; lines: string[] };
export type SquareCode = "qr" | "datamatrix";
export type Paper = "a4" | "letter" | "single";
/** Lengths in mm. */
export type TagLayout = { width: number; height: number; paper: Paper; code: SquareCode };

export const USUAL: TagLayout = { width: 90, height: 32, paper: "single", code: "qr" };

/** A sheet of more takes longer to draw than anyone waits. */
export const MOST_TAGS = 400;

const MM = 72 / 25.4;
const MARGIN = 4;
const GAP = 3;
const SHEETS = { a4: { width: 210, height: 297 }, letter: { width: 215.9, height: 279.4 } };
const FONTS = "node_modules/@expo-google-fonts/atkinson-hyperlegible-next";
const PLAIN = `${FONTS}/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf`;
const BOLD = `${FONTS}/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf`;
const INK = rgb(0.13, 0.11, 0.17);

/** No line of a tag can show more letters than this; what is longer is cut before it is measured. */
const MOST = 80;

/** What a tag 32 mm high has below its title for lines, mm; many lines are written smaller, none is left out. */
const LINES_ROOM = 13.5;

/** Words that fit a width, the end cut with an ellipsis. */
function cutTo(text: string, font: PDFFont, size: number, width: number): string {
  let cut = text.slice(0, MOST);
  if (cut === text && font.widthOfTextAtSize(text, size) <= width) return text;
  while (cut && font.widthOfTextAtSize(`${cut}…`, size) > width) cut = cut.slice(0, -1);
  return `${cut}…`;
}

/** The cells of a square code, row by row. */
export function cellsOf(
  text: string,
  kind: SquareCode,
): { size: number; dark: (row: number, column: number) => boolean } {
  const options = kind === "qr" ? { bcid: "qrcode", text, eclevel: "M" } : { bcid: "datamatrix", text };
  const [drawn] = bwip.raw(options) as { pixs: number[]; pixx: number }[];
  const { pixs, pixx: size } = drawn!;
  return { size, dark: (row, column) => pixs[row * size + column] === 1 };
}

function drawCode(page: PDFPage, text: string, kind: SquareCode, x: number, y: number, side: number): void {
  const { size, dark } = cellsOf(text, kind);
  const cell = side / size;
  for (let row = 0; row < size; row++)
    for (let column = 0; column < size; column++)
      if (dark(row, column))
        page.drawRectangle({
          x: x + column * cell,
          y: y + side - (row + 1) * cell,
          width: cell * 1.02,
          height: cell * 1.02,
        });
}

type Fonts = { plain: PDFFont; bold: PDFFont };
/** Room that a shape's nose or neck takes from the left, as a share of its height. */
const NOSE: Partial<Record<Kind, number>> = { cross: 0.34, plant: 0.3, line: 0.3, flower: 0.42 };

/** One tag with its lower left corner at a point, in points. */
function drawTag(page: PDFPage, tag: TagText, layout: TagLayout, fonts: Fonts, left: number, bottom: number): void {
  const [width, height] = [layout.width * MM, layout.height * MM];
  const outline = tagOutline(tag.kind, width, height);
  page.drawSvgPath(`M ${outline.map((p) => `${p.x} ${p.y}`).join(" L ")} Z`, {
    x: left,
    y: bottom + height,
    borderColor: INK,
    borderWidth: 0.8,
  });
  const side = Math.min(height * 0.69, width * 0.3);
  const start = left + height * (NOSE[tag.kind] ?? 0.12);
  drawCode(page, tag.code, layout.code, start, bottom + (height - side) / 2, side);
  const x = start + side + height * 0.12;
  const room = left + width - height * 0.42 - x;
  // Sizes are those of a tag 32 mm high.
  const scale = layout.height / 32;
  const write = (words: string, size: number, down: number, font = fonts.plain) =>
    page.drawText(cutTo(words, font, size * scale, room), {
      x,
      y: bottom + height - down * MM * scale,
      size: size * scale,
      font,
    });
  write(tag.code, 15, 10, fonts.bold);
  write(tag.title, 10, 16, fonts.bold);
  const step = Math.min(3.8, LINES_ROOM / tag.lines.length);
  for (const [i, line] of tag.lines.entries()) write(line, Math.min(8, step * 2.3), 16.8 + (i + 1) * step);
}

/** Where tags stand on a sheet, from the top left, in mm from its lower left corner. */
function placesOn({ width, height, paper }: TagLayout): {
  page: { width: number; height: number };
  places: { x: number; y: number }[];
} {
  if (paper === "single")
    return {
      page: { width: width + 2 * MARGIN, height: height + 2 * MARGIN },
      places: [{ x: MARGIN, y: MARGIN }],
    };
  const page = SHEETS[paper];
  const edge = 10;
  const columns = Math.max(1, Math.floor((page.width - 2 * edge + GAP) / (width + GAP)));
  const rows = Math.max(1, Math.floor((page.height - 2 * edge + GAP) / (height + GAP)));
  const places = Array.from({ length: rows * columns }, (_, i) => ({
    x: edge + (i % columns) * (width + GAP),
    y: page.height - edge - height - Math.floor(i / columns) * (height + GAP),
  }));
  return { page, places };
}

/** Tags as a PDF: the outline of each one's kind, its code as text and as a square code, and what it stands for. */
export async function tagsPdf(tags: TagText[], layout: TagLayout): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.registerFontkit(fontkit);
  const embed = async (path: string) => pdf.embedFont(await readFile(join(process.cwd(), path)), { subset: true });
  const fonts = { plain: await embed(PLAIN), bold: await embed(BOLD) };
  pdf.setTitle(tags.length === 1 ? `${tags[0]!.code} ${tags[0]!.title}` : `${tags.length} tags`);
  const { page: size, places } = placesOn(layout);
  let page: PDFPage | null = null;
  for (const [i, tag] of tags.entries()) {
    const at = places[i % places.length]!;
    if (i % places.length === 0) page = pdf.addPage([size.width * MM, size.height * MM]);
    drawTag(page!, tag, layout, fonts, at.x * MM, at.y * MM);
  }
  return pdf.save();
}
