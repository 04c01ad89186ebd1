import { dayInWords } from "@/core/calendar/day";
import { generationName } from "@/core/custody/generation";
import { bedInWords } from "@/core/ground/bedInWords";
import type { Cost } from "@/core/plans/difference";
import { timesInTen } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
import { lengthInWords, type Units } from "@/core/units/units";
import { percentInWords } from "@/core/writing/figures";
import type { BedToSow } from "@/views/bedsToSow";
import type { LotToSow, NextSowing } from "@/views/nextSowing";
import { percent, sentence } from "./words";

/** "Lantern F3". */
export const sownName = ({ line, lots }: NextSowing): string => {
  const [first] = lots;
  const generation = first ? generationName(first.generation, first.backcrosses) : "";
  return generation ? `${line.name} ${generation}` : line.name;
};

type Meant = { plants: number; mothers: number };

/** Plants, and of how many mothers. */
export const byMothers = ({ plants, mothers }: Meant): string =>
  `${plural(plants, "plant")}${mothers > 1 ? `, a row from each of ${mothers} mothers` : ""}`;

/** Plants, and in how many rows. */
export const inRows = ({ plants, mothers }: Meant): string =>
  `${plural(plants, "plant")}${mothers > 1 ? ` in ${mothers} rows` : ""}`;

/** What the plan has for this generation. */
export const planInWords = ({ step }: NextSowing): string =>
  step ? `Plan: ${byMothers(step)}.` : "The plan has nothing for this generation.";

/** Whose seed a lot is. */
export const lotInWords = ({ mother, motherCode, code, gathered }: LotToSow): string =>
  mother === null ? `Lot ${code}, ${dayInWords(gathered)} ${gathered.slice(0, 4)}` : `Plant ${mother} of ${motherCode}`;

/** Of open seed, what other pollen fathered. */
export const strangersInWords = ({ strangers }: LotToSow): string | null =>
  strangers && strangers.high >= 0.005
    ? `Foreign pollen: ${percentInWords(strangers.likely)} of its seeds (up to ${percentInWords(strangers.high)}).`
    : null;

/** What would cross with a sowing, and how far off it flowers. */
export const nearInWords = ({ name, metres }: NonNullable<BedToSow["near"]>, units: Units): string =>
  `${name} flowers ${metres < 1 ? "in the same bed" : `${lengthInWords(metres, units)} off`}`;

/** A bed as it is offered: how many plants fit, and why not this one. */
export const bedOffered = ({ name, fits, tooSoon, near }: BedToSow, units: Units): string => {
  const before = tooSoon && `${tooSoon.name} stood there in ${tooSoon.season}`;
  return [sentence(bedInWords(name)), `room for ${fits}`, before, near && nearInWords(near, units)]
    .filter(Boolean)
    .join(" · ");
};

/** What it costs that a sowing differs from its plan. */
export function costInWords(cost: Cost): string {
  switch (cost.kind) {
    case "chance":
      return `One plant at least shows all you want ${timesInTen(cost.meant)}; as planned ${timesInTen(cost.planned)}.`;
    case "gain":
      return `Choosing among them gains ${percent(cost.share)} of what the plan would.`;
    case "mothers":
      return `${plural(cost.missing, "family", "families")} of ${cost.of} are not grown, and nothing more is learned of them.`;
    case "narrows":
      return `It loses ${percent(cost.meant)} of its variety in this generation; as planned ${percent(cost.planned)}.`;
  }
}

/** What stays in the drawer of what is sown. */
export function staysInWords(left: number | null, seeds: number): string {
  if (left === null) return "not counted yet";
  if (seeds > left) return `only ${left} are left`;
  return seeds === left ? "none is left if it fails" : `${left - seeds} stay`;
}
