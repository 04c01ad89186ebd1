import { speciesById } from "@/catalogue/catalogue";
import { cautionsAt } from "@/catalogue/hazards";
import { dayInWords, yearOf } from "@/core/calendar/day";
import { nameWithGeneration } from "@/core/custody/generation";
import { oneIn, rangeInWords } from "@/core/isolation/verdict";
import { germinationAfter } from "@/core/seed/alive";
import { originsOf } from "@/core/seed/lineage";
import { candidatesOf } from "@/records/candidate/queries";
import { lineById } from "@/records/line/queries";
import { partsBefore } from "@/records/lot/parts";
import { type LotRow, lotByCode, lotById } from "@/records/lot/queries";
import { takenOutOf } from "@/records/plant/queries";
import { type StandRow, standById } from "@/records/stand/queries";
import { livesOf } from "./alive";
import type { Outlook } from "./outlook";
import { arrivalsOf } from "./scene";

const KINDS = {
  cross: "a cross by hand",
  self: "selfed",
  intercross: "crossed within the line",
  open: "open pollination",
  received: "received seed",
} as const;

/** How a stand's seed was kept from strangers. */
const KEPT = {
  open: "flowers open",
  covered: "under cover",
  hand: "pollinated by hand, marked fruit only",
  removed: "flowers taken off",
} as const;

/** What is reckoned of a stand's open flowers: how much strange pollen reached them; null where that is nobody's question. */
function strangersOf(sky: Outlook, { kind }: LotRow, stand: StandRow | undefined): string | null {
  if (!stand || (kind !== "open" && kind !== "intercross") || stand.flowers !== "open") return null;
  const arrival = arrivalsOf(sky, stand.season).arrived.get(stand.id);
  if (!arrival) return null;
  if (arrival.bySource.length === 0) return "none that was known of flowered with it";
  return `for about ${oneIn(arrival.likely)} reckoned the father (${rangeInWords(arrival)}), of what was known around it`;
}

/**
 * The card that goes with a lot's packets: what it is, where it comes from, how it was isolated and rogued, how alive it is,
 * and what nobody can promise. Null where there is no such lot.
 */
export function cardView(sky: Outlook, code: string): string | null {
  const { db, garden, today } = sky;
  const lot = lotByCode(db, code);
  if (!lot) return null;
  const species = speciesById(lot.species);
  const line = lineById(db, lot.lineId)!;
  const parents = [line.motherLineId, line.fatherLineId].map((id) => id && lineById(db, id)?.name);
  const stand = lot.motherStandId ? standById(db, lot.motherStandId) : undefined;
  const { life, known, tests } = livesOf(sky)(lot);
  const { low, likely, high } = germinationAfter(known, life.aged);
  const hundred = (share: number) => Math.min(99, Math.round(share * 100));
  const origins = originsOf(lot.id, partsBefore(db, lot.id));
  const doubts = candidatesOf(db, "lot", lot.id);
  const out = stand ? takenOutOf(db, stand.id) : null;
  const rows: [string, string | null | undefined][] = [
    ["Variety", nameWithGeneration(lot)],
    ["Species", `${species.name}, ${species.binomial}`],
    ["Lot", `${lot.code}, gathered ${dayInWords(lot.gathered, "long")} at ${garden.name}`],
    ["Came about by", KINDS[lot.kind]],
    ["Parents", parents[0] ? `${parents[0]} × ${parents[1] ?? "unknown"}` : null],
    ["From", line.origin || null],
    [
      "Made of",
      origins.length > 1
        ? origins.map(({ id, share }) => `${lotById(db, id)!.code} ${Math.round(share * 100)} %`).join(", ")
        : null,
    ],
    ["Fraction", lot.fraction?.replace("-", " ")],
    ["Isolation", stand ? `${KEPT[stand.flowers]}, ${stand.plants ?? "an unknown number of"} plants` : null],
    ["Strange pollen", strangersOf(sky, lot, stand)],
    [
      "Roguing",
      out === null
        ? null
        : out.plants === 0
          ? "no plant was taken out"
          : `${out.plants} plants taken out${out.late ? `, ${out.late} of them after first flower` : ""}`,
    ],
    ["In doubt", lot.doubt],
    [
      "Mother or father may be",
      doubts.length > 0
        ? doubts.map((c) => `${c.role} ${c.name ?? "a stranger"} ${Math.round(c.share * 100)} %`).join(", ")
        : null,
    ],
    ["Chain of custody", lot.brokenOn ? `BROKEN ${lot.brokenOn}: ${lot.brokenWhy}` : "unbroken as far as recorded"],
    [
      "Comes up",
      `about ${hundred(likely)} of 100 in ${yearOf(today)} (${hundred(low)} to ${hundred(high)}), ${tests.length > 0 ? `by ${tests.length} tests and ` : "by "}an estimate`,
    ],
    ["Description", line.description.slice(0, 400) || null],
    ["Note", lot.note || null],
  ];
  return [
    ...rows.flatMap(([term, value]) => (value ? [`${`${term}:`.padEnd(26)}${value}`] : [])),
    "",
    ...cautionsAt(species.hazards, "touch", "keep", "eat").map(({ title, caution }) => `${title}. ${caution}`),
    "",
    "Sharing, swapping and selling seed have rules that differ from place to place: plant variety rights and licence",
    "terms, seed marketing, plant health when seed is sent, protected and invasive plants. The local law comes first.",
    "",
  ].join("\n");
}
