import { speciesById } from "@/catalogue/catalogue";
import { addDays, type Day, yearOf } from "@/core/calendar/day";
import { seasonSpan } from "@/core/climate/season";
import { notSown } from "@/records/lot/queries";
import type { Outlook } from "./outlook";

/** A line whose newest seed grows old and that nothing is sown of. */
export type Regrow = { code: string; name: string; gathered: Day; age: number; shelf: { low: number; high: number } };

/** Sowings of a season are decided on in its first months, days. */
const DECIDED = 150;

/**
 * Lines to be grown again before their seed dies, while there is time to sow them this season: those past the short end of
 * their shelf life, a rule of thumb, the farthest past it first.
 */
export const regrowView = (sky: Outlook): Regrow[] =>
  sky.once("regrow", () => {
    const { db, today, season, garden } = sky;
    if (today > addDays(seasonSpan(season, garden.latitude).start, DECIDED)) return [];
    return notSown(db, season)
      .map(({ lineCode, lineName, species, gathered }): Regrow => {
        const { low, high } = speciesById(species).shelfYears;
        return {
          code: lineCode,
          name: lineName,
          gathered,
          age: yearOf(today) - yearOf(gathered),
          shelf: { low, high },
        };
      })
      .filter(({ age, shelf }) => age >= shelf.low)
      .sort((a, b) => b.age / b.shelf.high - a.age / a.shelf.high || a.name.localeCompare(b.name));
  });
