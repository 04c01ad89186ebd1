import { speciesById } from "@/catalogue/catalogue";
import { dayInWords } from "@/core/calendar/day";
import { flowerCode, readCode } from "@/core/custody/code";
import { nameWithGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { fatherInWords, parentName } from "@/core/custody/parents";
import { bedInWords, placeInWords } from "@/core/ground/bedInWords";
import { UNDER_WAY } from "@/core/pollination/tally";
import { isKept } from "@/core/selection/marks";
import { plural } from "@/core/units/plural";
import type { Db } from "@/db/open";
import { type CrossRow, crossByCode } from "@/records/cross/queries";
import { flowersOfCross } from "@/records/flower/queries";
import type { Line } from "@/records/line/line";
import { lineByCode } from "@/records/line/queries";
import { type LotRow, lotByCode, lotsById, lotsOfCross } from "@/records/lot/queries";
import { packetsOf } from "@/records/packet/queries";
import { plantsOfStand } from "@/records/plant/queries";
import { offersOf, sharingById, wishesOf } from "@/records/sharing/queries";
import { type StandRow, standByCode } from "@/records/stand/queries";
import { vesselByCode } from "@/records/vessel/queries";
import type { TagText } from "./tagLayout";

const FOR_SEED = "For seed: do not pick";

function lotTagOf(lot: LotRow): TagText {
  const from =
    lot.crossCode ??
    (lot.motherCode ? `${lot.motherCode}${lot.motherNumber ? ` plant ${lot.motherNumber}` : ""}` : null);
  const origin = from === null ? "received" : `from ${from}`;
  const name = speciesById(lot.species);
  return {
    kind: "lot",
    code: lot.code,
    title: nameWithGeneration(lot),
    lines: [
      `${name.name}, ${name.binomial}`,
      lot.doubt ? `in doubt (${lot.doubt}), ${origin}` : origin,
      `gathered ${dayInWords(lot.gathered, "long")}${lot.fraction ? `, ${lot.fraction.replace("-", " ")}` : ""}`,
      ...(lot.brokenOn ? [`CHAIN BROKEN ${lot.brokenOn}: ${lot.brokenWhy}`] : []),
    ],
  };
}

/** Who is crossed with whom, and where the mother stands. */
const crossLines = (cross: CrossRow): string[] => [
  parentName(cross.motherName, cross.motherNumber),
  `× ${fatherInWords(cross)}`,
  cross.motherBed === null ? "bed not set" : bedInWords(cross.motherBed),
];

const crossTagOf = (cross: CrossRow): TagText => ({
  kind: "cross",
  code: cross.code,
  title: FOR_SEED,
  lines: crossLines(cross),
});

const flowerTagOf = (cross: CrossRow, number: number): TagText => ({
  kind: "flower",
  code: flowerCode(cross.code, number),
  title: FOR_SEED,
  lines: crossLines(cross).slice(0, 2),
});

/** A stand's tags: one, or one for each tray it is sown in, and for each crate once it is pricked out. */
function standTagsOf(stand: StandRow, lot: LotRow | undefined): TagText[] {
  const { crates, trays, sownIn, plantedOut } = stand;
  const [many, each] = crates ? [crates, "crate"] : [trays ?? 1, sownIn === "pots" ? "pot" : "tray"];
  const from = lot ? [`lot ${lot.code}`, ...(lot.crossCode ? [`cross ${lot.crossCode}`] : [])] : [];
  return Array.from({ length: plantedOut ? 1 : many }, (_, i) => ({
    kind: stand.family ? "family" : "stand",
    code: stand.code,
    title: nameWithGeneration(stand),
    lines: [
      `sown ${dayInWords(stand.sown, "long")}`,
      from.join(", "),
      many > 1 && !plantedOut ? `${each} ${i + 1} of ${many}` : placeInWords(stand.bedName),
    ],
  }));
}

function lineTagOf(line: Line): TagText {
  return { kind: "line", code: line.code, title: line.name, lines: [speciesById(line.species).binomial, line.origin] };
}

const made = <T>(found: T | undefined, tag: (of: T) => TagText): TagText[] | null => (found ? [tag(found)] : null);

/** The tags of one thing, by its kind and code; null where there is none. */
export function tagsOf(db: Db, kind: string, code: string): TagText[] | null {
  switch (kind) {
    case "lot":
      return made(lotByCode(db, code), lotTagOf);
    case "cross":
      return made(crossByCode(db, code), crossTagOf);
    case "stand":
    case "family": {
      const stand = standByCode(db, code);
      if (!stand) return null;
      return standTagsOf(stand, stand.lotCode ? lotByCode(db, stand.lotCode) : undefined);
    }
    case "kept":
      return keptTags(db, code);
    case "line":
      return made(lineByCode(db, code), lineTagOf);
    case "vessel":
      return made(vesselByCode(db, code), ({ name, kind }) => ({ kind: "vessel", code, title: name, lines: [kind] }));
    case "flower": {
      const read = readCode(code);
      if (!read.ok || read.kind !== "flower") return null;
      return made(crossByCode(db, read.cross), (cross) => flowerTagOf(cross, read.number));
    }
    case "packets":
      return packetTags(db, code);
    default:
      return null;
  }
}

/** A tag for each plant of a planting that is kept. */
function keptTags(db: Db, code: string): TagText[] | null {
  const stand = standByCode(db, code);
  const plants = stand ? plantsOfStand(db, stand.id).filter((one) => one.removedOn === null && isKept(one.mark)) : [];
  if (!stand || plants.length === 0) return null;
  return plants.map(({ number }) => ({
    kind: stand.family ? "family" : "stand",
    code: stand.code,
    title: `Plant ${number}`,
    lines: [nameWithGeneration(stand), FOR_SEED, placeInWords(stand.bedName)],
  }));
}

/** A packet's two labels, one that goes outside and one inside. */
const outAndIn = (tag: TagText, said: string | null = null): TagText[] =>
  ["outside", "inside"].map((where) => ({
    ...tag,
    lines: [...tag.lines, said === null ? where : `${said}; ${where}`],
  }));

/** Labels of a lot's packets: one that goes outside and one inside for each; of a lot without packets one pair. */
function packetTags(db: Db, code: string): TagText[] | null {
  const lot = lotByCode(db, code);
  if (!lot) return null;
  const packets = packetsOf(db, lot.id).filter(({ goneOn }) => !goneOn);
  const labels =
    packets.length > 0 ? packets.map(({ number, seeds, reserve }) => ({ number, seeds, reserve })) : [null];
  const tag = lotTagOf(lot);
  return labels.flatMap((label) =>
    outAndIn(
      tag,
      label &&
        `packet ${label.number}${label.seeds ? `, ${label.seeds} seeds` : ""}${label.reserve ? ", RESERVE" : ""}`,
    ),
  );
}

/**
 * The labels of a sharing day, two for each packet: of every wish that is granted, with whose it is; before the wishes are
 * allotted, of every packet offered. Null where there is no such day.
 */
export function sharingTags(db: Db, id: Id): TagText[] | null {
  const day = sharingById(db, id);
  if (!day) return null;
  const offers = offersOf(db, id);
  const lots = lotsById(
    db,
    offers.map(({ lotId }) => lotId),
  );
  const wishes = wishesOf(db, id).filter(({ granted }) => granted === 1);
  return offers.flatMap(({ lotId, packets, each }) => {
    const lot = lots.get(lotId);
    if (!lot) return [];
    const seeds = plural(each, "seed");
    const whose = day.allottedOn
      ? wishes.filter((wish) => wish.lotId === lotId).map(({ memberName }) => `${seeds}, for ${memberName}`)
      : Array.from({ length: packets }, () => seeds);
    const tag = lotTagOf(lot);
    return whose.flatMap((said) => outAndIn(tag, said));
  });
}

export type Part = "flowers" | "bags" | "packets";

/**
 * The tags a cross needs: one for each flower and for some to come, the same for their bags, and for its seed a packet
 * tag that goes outside and one that goes inside. Without a lot yet, packets carry the cross.
 */
export function crossTags(db: Db, code: string, parts: Part[], spare: number): TagText[] | null {
  const cross = crossByCode(db, code);
  if (!cross) return null;
  const flowers = flowersOfCross(db, cross.id);
  const known = flowers.filter((f) => UNDER_WAY.has(f.state));
  const last = flowers.at(-1)?.number ?? 0;
  const numbers = [...known.map((f) => f.number), ...Array.from({ length: spare }, (_, i) => last + i + 1)];
  const tags: TagText[] = [];
  if (parts.includes("flowers")) tags.push(...numbers.map((n) => flowerTagOf(cross, n)));
  if (parts.includes("bags"))
    tags.push(...numbers.map((n) => ({ ...flowerTagOf(cross, n), title: "Bag: leave it closed" })));
  if (parts.includes("packets")) {
    const lots = lotsOfCross(db, cross.id).map(lotTagOf);
    const packets = lots.length ? lots : [{ ...crossTagOf(cross), title: nameWithGeneration(cross) }];
    tags.push(...packets.flatMap((packet) => outAndIn(packet)));
  }
  return tags;
}
