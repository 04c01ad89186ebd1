import { speciesById } from "@/catalogue/catalogue";
import { madeOf } from "@/core/custody/generation";
import type { Share } from "@/core/isolation/share";
import type { SurpriseInput } from "@/core/purity/causes";
import { type Surprise, surprise } from "@/core/purity/surprise";
import type { Db } from "@/db/open";
import { lineNames } from "@/records/line/queries";
import { takenOutOfLine } from "@/records/line/rogued";
import { takenFrom } from "@/records/lot/left";
import { type LotRow, lotById, lotsOfMothers } from "@/records/lot/queries";
import { offkindsOf } from "@/records/offkind/queries";
import type { Plant } from "@/records/plant/plant";
import { plantsOfStand } from "@/records/plant/queries";
import { type StandRow, standByCode, standById, standsOfLine } from "@/records/stand/queries";
import { type SisterFamily, sisterFamilies, surpriseOf } from "@/records/surprise/queries";
import type { SurpriseDecided } from "@/records/surprise/surprise";
import { type Band, band } from "./band";
import type { Outlook } from "./outlook";
import { arrivalOf } from "./scene";

/** What the grower says of an odd plant: how the look is inherited, and whom it looks like or not. */
export type AskedOfSurprise = {
  number: number;
  inheritance: SurpriseInput["inheritance"] | null;
  like: string[];
  unlike: string[];
};

export type SurpriseView = {
  band: Band;
  stand: Pick<StandRow, "id" | "code" | "lineName" | "lineCode" | "generation" | "backcrosses" | "season">;
  plant: Pick<Plant, "id" | "number" | "reason" | "removedOn">;
  /** Plants of the family that were looked at, and those that went out for the same reason. */
  counted: { plants: number; odd: number };
  /** How its seed was made: when and of which stand; null where nobody knows. */
  made: {
    lotCode: string;
    how: SurpriseInput["made"];
    season: number;
    motherCode: string;
    doubt: string | null;
  } | null;
  asked: Omit<AskedOfSurprise, "inheritance"> & { inheritance: SurpriseInput["inheritance"] };
  suspects: (SurpriseInput["suspects"][number] & { harm: string })[];
  grandparents: string[];
  sisters: SisterFamily[];
  found: Surprise;
  /** Seed of the same mother's neighbours that may be of the same pollen, with the share that may be. */
  atRisk: { code: string; number: number | null; left: number; share: Share }[];
  /** What pollen shows on this year's seed of its kind. */
  xenia: string | null;
  decided: SurpriseDecided | null;
};

/** Sources that are named. */
const NAMED = 6;
/** Of what is still mixed so many places show when they are hidden no more. Working value. */
const SHOWING = 3;
/** Of a line that is not counted in generations so much is taken as mixed. Working value. */
const KEPT = 0.02;

/** What pollen met at the flowers that its seed was made in. */
function metAt(sky: Outlook, mother: StandRow) {
  const arrival = arrivalOf(sky, mother);
  if (!arrival) return [];
  const { bySource, likely, low, high } = arrival;
  // The range of the whole is that of each: what one source brings is as unsure.
  const [down, up] = likely > 0 ? [low / likely, high / likely] : [0, 1];
  return bySource.slice(0, NAMED).map(({ key, name, harm, likely: share }) => ({
    key,
    name,
    harm,
    share: { low: share * down, likely: share, high: Math.min(1, share * up) },
  }));
}

/** What a mother is likely to have carried unseen, and in what share of her offspring it shows. */
export function hiddenOf(db: Db, stand: StandRow): SurpriseInput["hidden"] {
  const { breeding } = speciesById(stand.species);
  if (stand.generation !== null) {
    const mixed = 0.5 ** Math.max(0, stand.generation - 2);
    return { carrier: 1 - (1 - mixed) ** SHOWING, share: 0.25 };
  }
  const grown = standsOfLine(db, stand.lineId)
    .filter(({ season }) => season < stand.season)
    .reduce((sum, { plants }) => sum + (plants ?? 0), 0);
  const out = takenOutOfLine(db, stand.lineId).reduce((sum, { plants }) => sum + plants, 0);
  const frequency = Math.sqrt((Math.min(out, grown) + 0.5) / (grown + 1));
  return {
    carrier: (2 * frequency) / (1 + frequency),
    share: breeding === "selfing" ? 0.25 : Math.max(0.005, frequency / 2),
  };
}

const leftOf = (lot: LotRow): number => Math.max(0, (lot.seeds ?? 0) - takenFrom(lot));

/** What may have made a plant odd, and what would tell; null where there is no such plant. */
export function surpriseView(sky: Outlook, code: string, asked: AskedOfSurprise): SurpriseView | null {
  const { db } = sky;
  const stand = standByCode(db, code);
  const plants = stand ? plantsOfStand(db, stand.id).filter(({ checkOfId }) => checkOfId === null) : [];
  const plant = plants.find(({ number }) => number === asked.number);
  if (!stand || !plant) return null;
  const lot = stand.lotId ? lotById(db, stand.lotId) : undefined;
  const mother = lot?.motherStandId ? standById(db, lot.motherStandId) : undefined;
  const gone = (one: Plant) => one.removedOn !== null || one.mark === "out";
  const alike = plant.reason === "" ? [] : plants.filter((one) => gone(one) && one.reason === plant.reason);
  const counted = { plants: plants.length, odd: Math.max(1, alike.length) };
  const kind = offkindsOf(db, stand.lineId).find(({ name }) => name === plant.reason);
  const inheritance = asked.inheritance ?? kind?.inheritance ?? "unknown";
  const suspects = (mother ? metAt(sky, mother) : []).map((one) => ({
    ...one,
    resembles: asked.like.includes(one.key) ? true : asked.unlike.includes(one.key) ? false : null,
  }));
  const sisters = mother ? sisterFamilies(db, mother.id, stand.id, plant.reason) : [];
  const sisterLots = mother ? lotsOfMothers(db, mother.id).filter(({ id }) => id !== lot?.id) : [];
  const names = lineNames(db);
  const grandparents = [stand.motherLineId, stand.fatherLineId].flatMap((id) => (id ? (names.get(id) ?? []) : []));
  const found = surprise({
    ...counted,
    sisters,
    inheritance,
    suspects,
    made: lot ? madeOf(lot.kind) : "received",
    doubt: lot?.doubt != null,
    broken: lot?.brokenOn != null,
    hidden: hiddenOf(db, stand),
    mixed: stand.generation === null ? KEPT : 0.5 ** (stand.generation - 1),
    stands: plant.removedOn === null,
    seedsLeft: lot ? leftOf(lot) : 0,
    sisterSeeds: sisterLots.reduce((sum, one) => sum + leftOf(one), 0),
  });
  return {
    band: band(sky, stand.season, [sky.forecast(stand)]),
    stand,
    plant,
    counted,
    made:
      lot && mother
        ? { lotCode: lot.code, how: madeOf(lot.kind), season: mother.season, motherCode: mother.code, doubt: lot.doubt }
        : null,
    asked: { ...asked, inheritance },
    suspects,
    grandparents,
    sisters,
    found,
    atRisk: riskOf(found, suspects, lot ? [lot, ...sisterLots] : []),
    xenia: speciesById(stand.species).xenia,
    decided: surpriseOf(db, plant.id) ?? null,
  };
}

/** Where pollen is the likeliest cause, seed of the same stand and year that may be of it too. */
function riskOf({ causes }: Surprise, suspects: SurpriseView["suspects"], lots: LotRow[]): SurpriseView["atRisk"] {
  const [first] = causes;
  const suspect = suspects.find(({ key }) => key === first?.key);
  if (first?.kind !== "pollen" || !suspect) return [];
  return lots
    .filter((lot) => leftOf(lot) > 0)
    .map((lot) => ({ code: lot.code, number: lot.motherNumber, left: leftOf(lot), share: suspect.share }));
}
