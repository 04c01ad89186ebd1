import { speciesById } from "@/catalogue/catalogue";
import { germinationAfter } from "@/core/seed/alive";
import { type Descriptor, PASSPORT, SAMPLE_STATUS } from "@/core/sharing/passport";
import { toCsv } from "@/records/csvFile";
import { lines } from "@/records/line/queries";
import { allStores, stays } from "@/records/store/queries";
import { livesOf } from "./alive";
import { drawer, type WholeLot, wholeLots } from "./drawer";
import type { Outlook } from "./outlook";

const INVENTORY = [
  "lot",
  "line",
  "species",
  "generation",
  "gathered",
  "seedsLeft",
  "reserve",
  "comesUp",
  "comesUpLow",
  "comesUpHigh",
  "sowBy",
  "state",
  "place",
  "fraction",
  "chainBroken",
  "note",
] as const;

/** Every lot of the drawer with what is left of it and how alive it is. */
export function inventoryFile(sky: Outlook): string {
  const lives = livesOf(sky);
  const places = allStores(sky.db);
  const lies = new Map(stays(sky.db).map(({ lotId, storeId }) => [lotId, places.get(storeId)!.name]));
  const rows = wholeLots(sky, drawer(sky)).map((lot): Record<(typeof INVENTORY)[number], string | number | null> => {
    const { low, likely, high } = germinationAfter(lives(lot).known, lot.life.aged);
    const share = (value: number) => Number(value.toFixed(3));
    return {
      lot: lot.code,
      line: lot.lineName,
      species: speciesById(lot.species).binomial,
      generation: lot.generation,
      gathered: lot.gathered,
      seedsLeft: lot.seedsLeft,
      reserve: lot.reserve,
      comesUp: share(likely),
      comesUpLow: share(low),
      comesUpHigh: share(high),
      sowBy: lot.life.until.likely,
      state: lot.life.state,
      place: lies.get(lot.id) ?? null,
      fraction: lot.fraction,
      chainBroken: lot.brokenOn && `${lot.brokenOn}: ${lot.brokenWhy}`,
      note: lot.note,
    };
  });
  return toCsv(rows, INVENTORY);
}

const compact = (day: string) => day.replaceAll("-", "");

/** What a passport says of a lot. */
function passportOf(lot: WholeLot, line: { status: keyof typeof SAMPLE_STATUS; origin: string; ancestry: string }) {
  const { binomial, name } = speciesById(lot.species);
  const [genus, ...species] = binomial.split(" ");
  const remarks = [
    lot.seedsLeft === null ? "" : `seeds: ${lot.seedsLeft}`,
    lot.generation === null ? "" : `generation: F${lot.generation}`,
    lot.brokenOn ? `chain broken ${lot.brokenOn}: ${lot.brokenWhy}` : "",
    lot.doubt ? `in doubt: ${lot.doubt}` : "",
    lot.note,
  ];
  return {
    ACCENUMB: lot.code,
    GENUS: genus,
    SPECIES: species.join(" "),
    CROPNAME: name,
    ACCENAME: lot.lineName,
    ACQDATE: compact(lot.gathered),
    SAMPSTAT: SAMPLE_STATUS[line.status],
    ANCEST: line.ancestry,
    // A farm or garden.
    COLLSRC: "20",
    DONORNAME: lot.kind === "received" ? line.origin : "",
    // Seed kept for some years.
    STORAGE: "11",
    REMARKS: remarks.filter(Boolean).join("; "),
  } satisfies Partial<Record<Descriptor, string | undefined>>;
}

/** The drawer as multi-crop passport descriptors. */
export function passportFile(sky: Outlook): string {
  const known = new Map(lines(sky.db, sky.today).map((line) => [line.id, line]));
  const nameOf = (id: string | null) => (id ? (known.get(id)?.name ?? "") : "");
  const rows = wholeLots(sky, drawer(sky)).map((lot) => {
    const { status, origin, motherLineId, fatherLineId } = known.get(lot.lineId)!;
    const ancestry = motherLineId ? `${nameOf(motherLineId)}/${nameOf(fatherLineId)}` : "";
    return passportOf(lot, { status, origin, ancestry });
  });
  return toCsv(rows, PASSPORT);
}
