import { PDFDocument, type PDFPage } from "pdf-lib";
import type { SheetPart } from "@/screens/lines/releaseWords";
import { type Fonts, fontsFor, type Weight } from "../../tags/tagFonts";
import { wrapped } from "../../tags/tagLayout";

/** A4, in points, with its margins. */
const PAGE = { width: 595, height: 842, margin: 56 };
const SIZE = { title: 20, head: 13, text: 10 };
const NAMES = 130;
const LEADING = 1.35;

/** Paragraphs wrapped into lines of a width. */
const broken = (fonts: Fonts, words: string, weight: Weight, size: number, width: number): string[] =>
  words.split("\n").flatMap((paragraph) => wrapped(paragraph, (line) => fonts.width(line, weight, size) <= width));

/** A picture of what the sheet is of, as JPEG, and what is said under it. */
export type SheetPhoto = { bytes: Uint8Array; words: string };
/** As large as it is drawn at most, in points. */
const PHOTO = { width: 240, height: 180 };

/** A sheet of named rows as PDF, its picture under the title, on as many pages as it takes. */
export async function sheetPdf(
  title: string,
  under: string,
  parts: SheetPart[],
  photo: SheetPhoto | null = null,
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(title);
  const fonts = await fontsFor(pdf);
  let page: PDFPage = pdf.addPage([PAGE.width, PAGE.height]);
  let y = PAGE.height - PAGE.margin;
  const draw = (words: string, x: number, weight: Weight, size: number) => {
    let at = x;
    for (const run of fonts.runs(words, weight)) {
      page.drawText(run.words, { x: at, y, size, font: run.font });
      at += run.font.widthOfTextAtSize(run.words, size);
    }
  };
  const room = (lines: number, size: number) => {
    if (y - lines * size * LEADING >= PAGE.margin) return;
    page = pdf.addPage([PAGE.width, PAGE.height]);
    y = PAGE.height - PAGE.margin;
  };
  const wide = PAGE.width - 2 * PAGE.margin;
  const write = (words: string, weight: Weight, size: number) => {
    for (const line of broken(fonts, words, weight, size, wide)) {
      room(1, size);
      y -= size * LEADING;
      draw(line, PAGE.margin, weight, size);
    }
  };
  write(title, "bold", SIZE.title);
  write(under, "plain", SIZE.text);
  if (photo) {
    const image = await pdf.embedJpg(photo.bytes);
    const { width, height } = image.scaleToFit(PHOTO.width, PHOTO.height);
    y -= SIZE.text + height;
    page.drawImage(image, { x: PAGE.margin, y, width, height });
    write(photo.words, "plain", SIZE.text);
  }
  for (const { title: head, rows } of parts) {
    // A heading stays with what follows it.
    room(4, SIZE.head);
    y -= SIZE.head;
    write(head, "bold", SIZE.head);
    for (const { name, words } of rows) {
      const names = broken(fonts, name, "bold", SIZE.text, NAMES - 10);
      const lines = broken(fonts, words, "plain", SIZE.text, wide - NAMES);
      for (let i = 0; i < Math.max(names.length, lines.length); i++) {
        room(1, SIZE.text);
        y -= SIZE.text * LEADING;
        if (names[i]) draw(names[i]!, PAGE.margin, "bold", SIZE.text);
        if (lines[i]) draw(lines[i]!, PAGE.margin + NAMES, "plain", SIZE.text);
      }
      y -= SIZE.text * 0.3;
    }
  }
  return pdf.save();
}
