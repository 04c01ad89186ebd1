import { speciesById } from "@/catalogue/catalogue";
import { dayInWords } from "@/core/calendar/day";
import { flowerCode } from "@/core/custody/code";
import { nameWithGeneration } from "@/core/custody/generation";
import { fatherInWords, parentName } from "@/core/custody/parents";
import { UNDER_WAY } from "@/core/pollination/tally";
import type { Db } from "@/db/open";
import { type CrossRow, crossById, flowersOfCross } from "@/records/cross/queries";
import { lineById } from "@/records/line/queries";
import { lotById, lotsOfCross } from "@/records/lot/queries";
import { standById } from "@/records/stand/queries";
import type { TagText } from "./tagPdf";

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
    lines: [
      `${name.name}, ${name.binomial}`,
      lot.doubt ? `in doubt (${lot.doubt}), from ${from}` : `from ${from}`,
      `gathered ${dayInWords(lot.gathered, "long")}`,
    ],
  };
}

/** Who is crossed with whom, and where the mother stands. */
const crossLines = (cross: CrossRow): string[] => [
  parentName(cross.motherName, cross.motherNumber),
  `× ${fatherInWords(cross)}`,
  `bed ${cross.motherBed ?? "not set"}`,
];

function crossTag(db: Db, id: number): TagText | null {
  const cross = crossById(db, id);
  return cross ? { kind: "cross", code: cross.code, title: FOR_SEED, lines: crossLines(cross) } : null;
}

const flowerTagOf = (cross: CrossRow, number: number): TagText => ({
  kind: "flower",
  code: flowerCode(cross.code, number),
  title: FOR_SEED,
  lines: crossLines(cross).slice(0, 2),
});

function flowerTag(db: Db, id: number): TagText | null {
  const found = db.prepare("SELECT crossId, number FROM flower WHERE id = ?").get(id) as
    | { crossId: number; number: number }
    | undefined;
  return found ? flowerTagOf(crossById(db, found.crossId)!, found.number) : null;
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

/** The tag of one thing, by its kind; null where there is none. */
export const TAGS: Record<string, (db: Db, id: number) => TagText | null> = {
  lot: lotTag,
  cross: crossTag,
  flower: flowerTag,
  stand: standTag,
  family: standTag,
  line: lineTag,
};

export type Part = "flowers" | "bags" | "packets";

/**
 * The tags a cross needs: one for each flower and for some to come, the same for their bags, and for its seed a packet
 * tag that goes outside and one that goes inside. Without a lot yet, packets carry the cross.
 */
export function crossTags(db: Db, crossId: number, parts: Part[], spare: number): TagText[] | null {
  const cross = crossById(db, crossId);
  if (!cross) return null;
  const flowers = flowersOfCross(db, crossId);
  const known = flowers.filter((f) => UNDER_WAY.has(f.state));
  const last = flowers.at(-1)?.number ?? 0;
  const numbers = [...known.map((f) => f.number), ...Array.from({ length: spare }, (_, i) => last + i + 1)];
  const tags: TagText[] = [];
  if (parts.includes("flowers")) tags.push(...numbers.map((n) => flowerTagOf(cross, n)));
  if (parts.includes("bags"))
    tags.push(...numbers.map((n) => ({ ...flowerTagOf(cross, n), title: "Bag: leave it closed" })));
  if (parts.includes("packets")) {
    const lots = lotsOfCross(db, crossId).flatMap((lot) => lotTag(db, lot.id) ?? []);
    const packets = lots.length
      ? lots
      : [{ ...crossTag(db, crossId)!, title: nameWithGeneration(cross.lineName, cross.generation) }];
    for (const packet of packets)
      for (const where of ["outside", "inside"])
        tags.push({ ...packet, lines: [...packet.lines.slice(0, 2), `${where}; ${packet.lines[2] ?? ""}`] });
  }
  return tags;
}
