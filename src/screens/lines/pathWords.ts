import { dayInWords } from "@/core/calendar/day";
import { seasonName } from "@/core/climate/season";
import { generationName } from "@/core/custody/generation";
import { plural } from "@/core/units/plural";
import type { Ahead, LineStanding } from "@/views/linePlan";
import { inRows } from "../common/sowWords";
import { ACTS_OF_PLANS } from "./planWords";

type Step = Pick<LineStanding["plan"]["grown"][number], "generation" | "season">;

/** What a step of the path is called: its generation, or its season where none is counted. */
export const stepName = ({ generation, season }: Step, backcrosses: number, latitude: number): string =>
  generationName(generation, backcrosses) || seasonName(season, latitude);

/** What became of a generation that was grown. */
export function grownInWords({ plants, kept, removed, stands, lost }: LineStanding["plan"]["grown"][number]): string {
  if (lost === stands) return "lost";
  const parts = [
    plants > 0 ? plural(plants, "plant") : "not counted",
    kept > 0 && `${kept} kept`,
    removed > 0 && `${removed} removed`,
  ];
  return parts.filter(Boolean).join(", ");
}

/** What is planned of a generation that is ahead. */
export const aheadInWords = (one: Ahead): string =>
  `${inRows(one)}${one.kept < one.plants && one.act !== "compare" ? `, keep ${one.kept}` : ""}`;

/** What a generation is grown for. */
export const actInWords = ({ act }: Ahead): string => ACTS_OF_PLANS[act];

/** What is to be done with what grows. */
function growingInWords({ grown }: LineStanding["plan"]): string {
  const now = grown.findLast(({ planned }) => planned === 0)!;
  if (now.family === 0 || now.plants === 0) return "It is growing.";
  return now.kept > 0
    ? `${plural(now.kept, "plant")} kept: save the seed of each.`
    : `Score its ${plural(now.plants, "plant")}, and keep the best.`;
}

/** What endangers a line, as its page says it beneath its next step. */
export const RISKS: Record<NonNullable<LineStanding["risk"]>, string> = {
  "no-seed-coming":
    "None of its seed is in the drawer, and none of its plants are grown for seed. Change that while they flower.",
  "one-season": "None of its seed is in the drawer: all of it stands in these plants, one bad season from lost.",
};

/** A line's next step, as its page says it first. */
export function nextInWords({ step, plan, plannedOn, toSow }: LineStanding): string {
  const [next] = plan.ahead;
  switch (step) {
    case "growing":
      return toSow ? "Seed of its next generation is there." : growingInWords(plan);
    case "planned":
      return `To be sown on ${dayInWords(plannedOn!, "long")}.`;
    case "crossing":
      return "Its cross comes first; its seed follows.";
    case "clean":
      return "Its seed is on the table. Clean and dry it first.";
    case "sow":
      return next ? `Sow it: ${aheadInWords(next)}.` : "Sow it.";
    case "keeps":
      return "It lives as seed. Nothing to do before it fades.";
    case "begin":
      return "No seed of it is here yet.";
    case "lost":
      return "No plants and no seed: nothing of it lives here.";
  }
}
