import type { Day } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { isPutOff } from "@/core/work/task";
import { linesCrossed } from "@/records/cross/queries";
import { putOffElse } from "@/records/deed/queries";
import type { LineSummary } from "@/records/line/queries";
import { linesOnTable } from "@/records/lot/queries";
import { type DrawerLot, soundOf } from "../drawer";
import { decidingOn, isToSow, lineStandings, linesKnown } from "../linePlan";
import type { Outlook } from "../outlook";
import { nextSowing } from "../regrow";

/** Where a line stands in the turn of the season: to be decided on, decided, or with nothing to decide. */
export type TurnState =
  | "decide"
  | "planned"
  | "left"
  | "grows on"
  | "growing"
  | "table"
  | "crossing"
  | "rests"
  | "begin"
  | "lost";

/** A line with its living seed and where it stands. */
export type Known = { line: LineSummary; lots: DrawerLot[]; state: TurnState };

/** What of a line is planned for a season or stands in it. */
export function grownFor(sky: Outlook, id: Id, season: number) {
  const { plan } = lineStandings(sky).get(id)!;
  return plan.grown.filter((one) => one.standing > 0 && one.season >= season);
}

function stateOf(sky: Outlook, line: LineSummary, lots: DrawerLot[], left: boolean): TurnState {
  const { season, began } = decidingOn(sky);
  const { plan, step } = lineStandings(sky).get(line.id)!;
  const there = grownFor(sky, line.id, season);
  if (there.some(({ planned }) => planned === 1)) return "planned";
  if (there.length > 0)
    return season === sky.season && there.every(({ sown }) => sown >= began) ? "planned" : "grows on";
  const mine = !plan.usual && plan.ahead[0]?.season === season && lots.length > 0;
  if (mine || isToSow(line, plan, lots, season)) return left ? "left" : "decide";
  if (sky.once("lines on table", () => linesOnTable(sky.db)).has(line.id)) return "table";
  if (step === "growing") return plan.way === "clone" ? "grows on" : "growing";
  if (sky.once("lines crossed", () => linesCrossed(sky.db, sky.season)).has(line.id)) return "crossing";
  if (lots.length > 0) return "rests";
  return step === "lost" ? "lost" : "begin";
}

/** Every line that goes on, with where it stands. */
export const knownLines = (sky: Outlook): Known[] =>
  sky.once("lines in the turn", () => {
    const { began } = decidingOn(sky);
    const told = putOffElse(sky.db);
    return [...linesKnown(sky).values()]
      .filter(({ endedOn }) => endedOn === null)
      .map((line) => {
        const lots = soundOf(sky, line.id);
        const choice = told.get(`regrow ${line.id}`);
        const left = choice !== undefined && choice.how !== "put-off" && isPutOff(choice, sky.today, began);
        return { line, lots, state: stateOf(sky, line, lots, left) };
      });
  });

/** Lines that are still to be decided on, with the soonest day on which one is sown; none outside the time for it. */
export function turnWaits(
  sky: Outlook,
): { season: number; lines: number; soonest: Day; opens: Day; closes: Day } | null {
  const { season, opens, closes } = decidingOn(sky);
  if (sky.today < opens) return null;
  const days = knownLines(sky)
    .filter(({ state }) => state === "decide")
    .map(({ line }) => nextSowing(sky, line))
    .sort();
  return days.length > 0 ? { season, lines: days.length, soonest: days[0]!, opens, closes } : null;
}
