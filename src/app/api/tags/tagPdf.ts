import { readFile } from "node:fs/promises";
import { join } from "node:path";
import fontkit from "@pdf-lib/fontkit";
import { PDFDocument, type PDFFont, type PDFPage, rgb } from "pdf-lib";
import QRCode from "qrcode";
import type { Kind } from "@/core/custody/code";
import { tagOutline } from "@/core/custody/tagShape";

export type TagText = { kind: Kind; code: string; title: string; lines: string[] };

const MM = 72 / 25.4;
const WIDTH = 90 * MM;
const HEIGHT = 32 * MM;
const MARGIN = 4 * MM;
const FONTS = "node_modules/@expo-google-fonts/atkinson-hyperlegible-next";
const PLAIN = `${FONTS}/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf`;
const BOLD = `${FONTS}/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf`;

/** No line of a tag can show more letters than this; what is longer is cut before it is measured. */
const MOST = 80;

/** Words that fit a width, the end cut with an ellipsis. */
function cutTo(text: string, font: PDFFont, size: number, width: number): string {
  let cut = text.slice(0, MOST);
  if (cut === text && font.widthOfTextAtSize(text, size) <= width) return text;
  while (cut && font.widthOfTextAtSize(`${cut}…`, size) > width) cut = cut.slice(0, -1);
  return `${cut}…`;
}

function drawQr(page: PDFPage, code: string, x: number, y: number, side: number): void {
  const { modules } = QRCode.create(code, { errorCorrectionLevel: "M" });
  const cell = side / modules.size;
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size; column++)
      if (modules.get(row, column))
        page.drawRectangle({
          x: x + column * cell,
          y: y + side - (row + 1) * cell,
          width: cell * 1.02,
          height: cell * 1.02,
        });
}

/** One tag, 90 × 32 mm: the outline of its kind, its code as text and QR, and what it stands for. */
export async function tagPdf({ kind, code, title, lines }: TagText): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.registerFontkit(fontkit);
  const embed = async (path: string) => pdf.embedFont(await readFile(join(process.cwd(), path)), { subset: true });
  const [plain, bold] = [await embed(PLAIN), await embed(BOLD)];
  pdf.setTitle(`${code} ${title}`);
  const page = pdf.addPage([WIDTH + 2 * MARGIN, HEIGHT + 2 * MARGIN]);
  const outline = tagOutline(kind, WIDTH, HEIGHT);
  page.drawSvgPath(`M ${outline.map((p) => `${p.x} ${p.y}`).join(" L ")} Z`, {
    x: MARGIN,
    y: MARGIN + HEIGHT,
    borderColor: rgb(0.13, 0.11, 0.17),
    borderWidth: 0.8,
  });
  const side = 22 * MM;
  const left = MARGIN + (kind === "cross" || kind === "plant" || kind === "line" ? 13 : 5) * MM;
  drawQr(page, code, left, MARGIN + (HEIGHT - side) / 2, side);
  const x = left + side + 4 * MM;
  const width = MARGIN + WIDTH - 13 * MM - x;
  const write = (words: string, size: number, y: number, font = plain) =>
    page.drawText(cutTo(words, font, size, width), { x, y: MARGIN + HEIGHT - y * MM, size, font });
  write(code, 17, 10, bold);
  write(title, 10, 16, bold);
  for (const [i, line] of lines.slice(0, 3).entries()) write(line, 8, 20.5 + i * 3.8);
  return pdf.save();
}
