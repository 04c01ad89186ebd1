import { speciesById } from "@/catalogue/catalogue";
import { dayInWords } from "@/core/calendar/day";
import { nameWithGeneration } from "@/core/custody/generation";
import { type Db, theDb } from "@/db/open";
import { crossById } from "@/records/cross/queries";
import { lineById } from "@/records/line/queries";
import { lotById } from "@/records/lot/queries";
import { standById } from "@/records/stand/queries";
import { type TagText, tagPdf } from "../../tagPdf";

const FOR_SEED = "For seed: do not pick";

function lotTag(db: Db, id: number): TagText | null {
  const lot = lotById(db, id);
  if (!lot) return null;
  const from =
    lot.crossCode ??
    (lot.motherCode ? `${lot.motherCode}${lot.motherNumber ? ` plant ${lot.motherNumber}` : ""}` : "received");
  const name = speciesById(lot.species);
  return {
    kind: "lot",
    code: lot.code,
    title: nameWithGeneration(lot.lineName, lot.generation),
    lines: [`${name.name}, ${name.binomial}`, `from ${from}`, `gathered ${dayInWords(lot.gathered, "long")}`],
  };
}

function crossTag(db: Db, id: number): TagText | null {
  const cross = crossById(db, id);
  if (!cross) return null;
  const parent = (name: string, plant: number | null) => `${name}${plant ? ` plant ${plant}` : ""}`;
  return {
    kind: "cross",
    code: cross.code,
    title: FOR_SEED,
    lines: [
      parent(cross.motherName, cross.motherNumber),
      `× ${parent(cross.fatherName, cross.fatherNumber)}`,
      `bed ${cross.motherBed ?? "not set"}`,
    ],
  };
}

function standTag(db: Db, id: number): TagText | null {
  const stand = standById(db, id);
  if (!stand) return null;
  return {
    kind: stand.code.startsWith("F") ? "family" : "stand",
    code: stand.code,
    title: nameWithGeneration(stand.lineName, stand.generation),
    lines: [
      `sown ${dayInWords(stand.sown, "long")}`,
      stand.lotCode ? `lot ${stand.lotCode}` : "",
      `bed ${stand.bedName ?? "in trays"}`,
    ],
  };
}

function lineTag(db: Db, id: number): TagText | null {
  const line = lineById(db, id);
  if (!line) return null;
  return { kind: "line", code: line.code, title: line.name, lines: [speciesById(line.species).binomial, line.origin] };
}

const TAGS: Record<string, (db: Db, id: number) => TagText | null> = {
  lot: lotTag,
  cross: crossTag,
  stand: standTag,
  family: standTag,
  line: lineTag,
};

export async function GET(
  _: Request,
  { params }: { params: Promise<{ kind: string; id: string }> },
): Promise<Response> {
  const { kind, id } = await params;
  const tag = TAGS[kind]?.(theDb(), Number(id));
  if (!tag) return new Response("There is no such tag.", { status: 404 });
  return new Response(new Uint8Array(await tagPdf(tag)), {
    headers: { "content-type": "application/pdf", "content-disposition": `inline; filename="${tag.code}.pdf"` },
  });
}
