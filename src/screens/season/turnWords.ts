import { dayInWords, yearOf } from "@/core/calendar/day";
import { seasonName } from "@/core/climate/season";
import { bedInWords } from "@/core/ground/bedInWords";
import { plural } from "@/core/units/plural";
import { areaInWords, type Units } from "@/core/units/units";
import type { Lacking, Turn, TurnLine } from "@/views/turn";
import type { KeptSeed } from "@/views/turn/kept";
import type { SowingProposed } from "@/views/turn/sowings";
import { byMothers, nearInWords } from "../common/sowWords";
import { listInWords, sentence } from "../common/words";

/** What the page says first: how many lines wait, or that none does. */
export function turnHeadline({ lines, season, latitude }: Turn): string {
  const year = seasonName(season, latitude);
  const open = lines.filter(({ state }) => state === "decide").length;
  if (open > 0) return `${plural(open, "line")} to decide for ${year}`;
  const planned = lines.filter(({ state }) => state === "planned").length;
  if (lines.length === 0) return "No lines yet";
  return planned > 0 ? `${year} is decided: ${plural(planned, "line")} to be sown` : `Nothing is to be sown in ${year}`;
}

/** Why a line is asked about. */
export const WHY_WORDS: Record<TurnLine["why"], string> = {
  next: "its next generation",
  mix: "the mix again",
  old: "its seed grows old",
};

const plants = (numbers: number[]): string =>
  `plant${numbers.length > 1 ? "s" : ""} ${listInWords(numbers.slice(0, 8).map(String))}${numbers.length > 8 ? " and more" : ""}`;

/** What became of the seed of the plants that were kept. */
export function keptInWords(kept: KeptSeed): string[] {
  const { none, gone, together, standing } = kept;
  const all = kept.seed === kept.plants;
  const first = all
    ? `Seed of all ${plural(kept.plants, "kept plant")} is there.`
    : `Of ${plural(kept.plants, "kept plant")} ${kept.seed === 0 ? "none has seed of its own" : `${kept.seed} gave seed of their own`}.`;
  return [
    first,
    ...(together ? ["Seed of several was put together."] : []),
    ...(none.length > 0 ? [`None yet from ${plants(none)}${standing ? ": gather it while it stands" : ""}.`] : []),
    ...(gone.length > 0 ? [`The seed of ${plants(gone)} is used up or gone.`] : []),
  ];
}

/** Whose seed a lot is, as it is named among others. */
const whose = ({ mother, motherCode, code }: SowingProposed["stays"][number]): string =>
  mother === null ? `lot ${code}` : `plant ${mother} of ${motherCode}`;

/** Seed that falls short by so many times of what there is can't be counted up to. */
const FAR = 3;

/** So many lots are named of those that stay. */
const NAMED = 4;

/** Until when the seed of a line lives, as a year. */
const untilInWords = ({ until }: Pick<TurnLine, "until">): string | null =>
  until && `Its seed keeps until ${yearOf(until)}.`;

/** What is proposed for a line, in sentences: how much, where and when first. */
export function proposedInWords({ sowing, beside, until }: TurnLine, units: Units, noBeds: boolean): string[] {
  if (!sowing) return [];
  const { rows, plants: stand, meant, bed, sown, stays, short } = sowing;
  if (rows.length === 0) return ["All that is left is its reserve."];
  const where = bed ? `${sentence(bedInWords(bed.name))}, ` : "";
  const said = [`${byMothers({ plants: stand, mothers: rows.length })}.`, `${where}${dayInWords(sown)}.`];
  if (!bed && !noBeds) said.splice(1, 1, "No bed has room for it.", untilInWords({ until }) ?? "");
  if (stand < meant) said.push(`The plan wants ${meant}.`);
  const seeds = rows.reduce((sum, row) => sum + row.seeds, 0);
  if (short > FAR * seeds) said.push("All of its seed is sown, and far too few plants come of it.");
  else if (short > 0) said.push(`${plural(short, "seed")} too few for so many.`);
  if (bed?.tired) said.push("Its family stood there lately: a rested bed is better.");
  if (bed?.near) said.push(`${nearInWords(bed.near, units)}.`);
  if (stays.length > 0 && stays.length <= NAMED)
    said.push(`Seed of ${listInWords(stays.map(whose))} stays in the drawer.`);
  if (stays.length > NAMED) said.push(`${plural(stays.length, "lot")} of it stay in the drawer.`);
  if (beside.length > 0) said.push(besideInWords(beside));
  return said.filter(Boolean);
}

/** The parents that stand beside. */
const besideInWords = (beside: TurnLine["beside"]): string =>
  `Beside it stand a few plants of ${listInWords(beside.map(({ name }) => name))}, to compare.`;

/** What is planned for a line. */
export function plannedInWords({ rows, plants: many, sown, bed, ahead }: NonNullable<TurnLine["planned"]>): string {
  const stand = [many > 0 && plural(many, "plant"), rows > 1 && plural(rows, "row")].filter(Boolean).join(" in ");
  const day = `${ahead ? "to be sown" : "sown"} ${dayInWords(sown)}`;
  return `${sentence([stand, bed && bedInWords(bed), day].filter(Boolean).join(", "))}.`;
}

/** Where a line stands that nothing is to be decided of. */
const STATE_WORDS: Record<Exclude<TurnLine["state"], "decide" | "planned">, string> = {
  left: "Not this season: it stays in the drawer.",
  "grows on": "Its plants go on growing.",
  growing: "It still grows: its seed comes first.",
  table: "Its seed is on the table. Clean and dry it first.",
  crossing: "Its cross comes first; its seed follows.",
  rests: "It lives as seed.",
  begin: "No seed of it is here yet.",
  lost: "No plants and no seed: get seed, or end the line.",
};

/** Where a line stands that asks for no decision, and until when its seed lives where it is only seed. */
export function restInWords(line: TurnLine): (string | null)[] {
  if (line.state === "decide" || line.state === "planned") return [];
  return [STATE_WORDS[line.state], line.state === "rests" || line.state === "left" ? untilInWords(line) : null];
}

/** What is missing, a line each. */
export function lackingInWords({ seed, parents, ground, labels, bags }: Lacking, units: Units): string[] {
  return [
    ...seed.map(({ name, short }) => `Seed of ${name}: ${short} too few`),
    ...parents.map((name) => `Seed of ${name}, to stand beside its offspring`),
    ...ground.map(({ name, area }) => `Ground for ${name}: ${areaInWords(area, units)} more`),
    ...(labels > 0 ? [plural(labels, "label")] : []),
    ...(bags > 0 ? [`${plural(bags, "bag")} at least, for flowers kept by hand`] : []),
  ];
}
