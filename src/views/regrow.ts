import { speciesById } from "@/catalogue/catalogue";
import { addDays, type Day, yearOf } from "@/core/calendar/day";
import { seasonSpan } from "@/core/climate/season";
import { nameWithGeneration } from "@/core/custody/generation";
import { notSown, type WaitingLine } from "@/records/lot/queries";
import type { Outlook } from "./outlook";

/** A line that nothing is sown of, with its newest seed: it grows old, or is the next generation of what is fixed. */
export type Regrow = {
  code: string;
  name: string;
  lot: string;
  why: "old" | "next";
  gathered: Day;
  age: number;
  shelf: { low: number; high: number };
};

/** Sowings of a season are decided on in its first months, days. */
const DECIDED = 150;

function regrowOf(
  { lineCode, lineName, lotCode, species, school, generation, gathered }: WaitingLine,
  today: Day,
): Regrow {
  const { low, high } = speciesById(species).shelfYears;
  const next = school === "cross-and-fix" && generation !== null;
  return {
    code: lineCode,
    name: nameWithGeneration(lineName, generation),
    lot: lotCode,
    why: next ? "next" : "old",
    gathered,
    age: yearOf(today) - yearOf(gathered),
    shelf: { low, high },
  };
}

/**
 * Lines to be sown this season, while there is time: the next generation of what is crossed and fixed first, then those
 * whose seed is past the short end of its shelf life, a rule of thumb, the farthest past it first.
 */
export const regrowView = (sky: Outlook): Regrow[] =>
  sky.once("regrow", () => {
    const { db, today, season, garden } = sky;
    if (today > addDays(seasonSpan(season, garden.latitude).start, DECIDED)) return [];
    const past = ({ age, shelf }: Regrow) => age / shelf.high;
    return notSown(db, season)
      .map((line) => regrowOf(line, today))
      .filter(({ why, age, shelf }) => why === "next" || age >= shelf.low)
      .sort((a, b) => a.why.localeCompare(b.why) || past(b) - past(a) || a.name.localeCompare(b.name));
  });
