import bwip from "bwip-js/node";
import { PDFDocument, type PDFPage, rgb } from "pdf-lib";
import { tagOutline } from "@/core/custody/tagShape";
import { type Fonts, fontsFor } from "./tagFonts";
import { layoutOf, MM, type Sides, smallestFor, type TagText } from "./tagLayout";

export type SquareCode = "qr" | "datamatrix";
export type Paper = "a4" | "letter" | "single";
/** Lengths in mm. */
export type TagLayout = Sides & { paper: Paper; code: SquareCode };

export const USUAL: TagLayout = { width: 90, height: 32, paper: "single", code: "qr" };

/** A sheet of more takes longer to draw than anyone waits. */
export const MOST_TAGS = 400;

const MARGIN = 4;
const GAP = 3;
const SHEETS = { a4: { width: 210, height: 297 }, letter: { width: 215.9, height: 279.4 } };
const INK = rgb(0.13, 0.11, 0.17);

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

type Cells = ReturnType<typeof cellsOf>;

function drawCode(page: PDFPage, { size, dark }: Cells, x: number, y: number, side: number): void {
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

/** One tag with its lower left corner at a point, in points. */
function drawTag(
  page: PDFPage,
  tag: TagText,
  cells: Cells,
  sides: Sides,
  fonts: Fonts,
  [left, bottom]: [number, number],
): void {
  const [width, height] = [sides.width * MM, sides.height * MM];
  const outline = tagOutline(tag.kind, width, height);
  page.drawSvgPath(`M ${outline.map((p) => `${p.x} ${p.y}`).join(" L ")} Z`, {
    x: left,
    y: bottom + height,
    borderColor: INK,
    borderWidth: 0.8,
  });
  const layout = layoutOf(tag, sides, fonts);
  if (!layout) throw new Error(`${tag.code} does not fit ${sides.width} × ${sides.height} mm`);
  const { square, written } = layout;
  drawCode(page, cells, left + square.x, bottom + square.y, square.side);
  for (const { words, weight, size, x, y } of written) {
    let at = left + x;
    for (const run of fonts.runs(words, weight)) {
      page.drawText(run.words, { x: at, y: bottom + y, size, font: run.font });
      at += run.font.widthOfTextAtSize(run.words, size);
    }
  }
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

const cellsOn = (tags: TagText[], kind: SquareCode) => tags.map(({ code }) => cellsOf(code, kind));
const sizesOf = (cells: Cells[]) => cells.map(({ size }) => size);

/** The smallest size of a shape on which tags can be read, mm: what was asked for where they can. */
export async function smallestSides(tags: TagText[], layout: TagLayout): Promise<Sides> {
  const fonts = await fontsFor(await PDFDocument.create());
  return smallestFor(tags, layout, sizesOf(cellsOn(tags, layout.code)), fonts);
}

/** Why tags cannot be had in a size, with the size that holds them; null where they can. */
export async function tooSmall(tags: TagText[], layout: TagLayout): Promise<string | null> {
  const { width, height } = await smallestSides(tags, layout);
  if (width === layout.width && height === layout.height) return null;
  return `${layout.width} × ${layout.height} mm is too small to be read: these tags need ${width} × ${height} mm or more.`;
}

/**
 * Tags as a PDF: the outline of each one's kind, its code as text and as a square code, and what it stands for. Where they
 * would be too small to read they are made larger, in the same shape.
 */
export async function tagsPdf(tags: TagText[], asked: TagLayout): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  const fonts = await fontsFor(pdf);
  const cells = cellsOn(tags, asked.code);
  const layout = { ...asked, ...smallestFor(tags, asked, sizesOf(cells), fonts) };
  pdf.setTitle(tags.length === 1 ? `${tags[0]!.code} ${tags[0]!.title}` : `${tags.length} tags`);
  const { page: size, places } = placesOn(layout);
  let page: PDFPage | null = null;
  for (const [i, tag] of tags.entries()) {
    const at = places[i % places.length]!;
    if (i % places.length === 0) page = pdf.addPage([size.width * MM, size.height * MM]);
    drawTag(page!, tag, cells[i]!, layout, fonts, [at.x * MM, at.y * MM]);
  }
  return pdf.save();
}
