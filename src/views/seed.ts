import { speciesById } from "@/catalogue/catalogue";
import { HAZARDS } from "@/catalogue/hazards";
import { yearOf } from "@/core/calendar/day";
import { seasonOf } from "@/core/climate/season";
import { type SeedCount, seedsInLot } from "@/core/custody/generation";
import { degreeOf } from "@/core/isolation/crossing";
import { type Cut, page } from "@/core/lists/page";
import { type BedChoice, bedChoices } from "@/records/bed/queries";
import { type CandidateRow, candidatesOf } from "@/records/candidate/queries";
import type { Garden } from "@/records/garden/garden";
import { type LotRow, lotByCode, lots } from "@/records/lot/queries";
import { standsOfSeason } from "@/records/stand/queries";
import type { Outlook } from "@/views/outlook";
import { type Band, band } from "./band";
import { type StandChoice, standChoice } from "./choices";

export type LotView = LotRow & {
  /** Null for fruit whose seed was not counted yet. */
  amount: SeedCount | null;
  left: SeedCount | null;
  age: number;
  /** Against the catalogue's shelf life: keeps, to be regrown soon, past it. */
  shelf: "keeps" | "regrow" | "past";
  shelfYears: { low: number; high: number };
  speciesName: string;
};

function lotView(lot: LotRow, today: string): LotView {
  const species = speciesById(lot.species);
  const amount = seedsInLot(lot.seeds, lot.mass, species.seedsPerGram);
  const minus = (n: number) => Math.max(0, n - lot.sowedSeeds);
  const age = yearOf(today) - yearOf(lot.gathered);
  return {
    ...lot,
    amount,
    left: amount && { ...amount, likely: minus(amount.likely), low: minus(amount.low), high: minus(amount.high) },
    age,
    shelf: age > species.shelfYears.high ? "past" : age >= species.shelfYears.low ? "regrow" : "keeps",
    shelfYears: species.shelfYears,
    speciesName: species.name,
  };
}

export type Seed = {
  garden: Garden;
  band: Band;
  today: string;
  lots: LotView[];
  cut: Cut;
  /** Lots that should be grown again before they die, of the whole drawer. */
  dying: number;
};

export function seedView(sky: Outlook, from: number | null = null): Seed {
  const { db, garden: place } = sky;
  const today = sky.today;
  const drawer = sky.once("drawer", () => lots(db, null, 5000).map((lot) => lotView(lot, today)));
  const { items, cut } = page(drawer, from);
  return {
    garden: place,
    band: band(sky, sky.season, sky.standsOf(sky.season)),
    today,
    lots: items,
    cut,
    dying: drawer.filter((l) => l.shelf !== "keeps" && (l.left === null || l.left.high > 0)).length,
  };
}

export type LotPage = {
  garden: Garden;
  band: Band;
  today: string;
  lot: LotView;
  /** Who may have been mother or father, where that is not sure. */
  candidates: CandidateRow[];
  /** Stands that could have been, of the season the seed is from. */
  possible: StandChoice[];
  beds: BedChoice[];
  extraction: string;
  ripeSign: string;
  hazards: { title: string; caution: string }[];
};

export function lotPage(sky: Outlook, code: string): LotPage | null {
  const { db } = sky;
  const lot = lotByCode(db, code);
  if (!lot) return null;
  const { garden: place } = sky;
  const today = sky.today;
  const species = speciesById(lot.species);
  const { season } = sky;
  return {
    garden: place,
    band: band(
      sky,
      season,
      sky.standsOf(season).filter((s) => s.lineId === lot.lineId),
    ),
    today,
    lot: lotView(lot, today),
    candidates: candidatesOf(db, "lot", lot.id),
    possible: standsOfSeason(db, seasonOf(lot.gathered, place.latitude))
      .filter((s) => degreeOf(species, speciesById(s.species)) !== null)
      .map(standChoice),
    beds: bedChoices(db),
    extraction: species.extraction,
    ripeSign: species.ripeSign,
    hazards: species.hazards.map((h) => HAZARDS[h]!),
  };
}
