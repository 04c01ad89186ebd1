import { addDays } from "@/core/calendar/day";
import { seasonName } from "@/core/climate/season";
import { addressOf } from "@/core/custody/address";
import { plural } from "@/core/units/plural";
import { decidingOn } from "../linePlan";
import { type LineRow, lineRows } from "../lineRows";
import type { Outlook } from "../outlook";
import { regrowView } from "../regrow";
import { turnWaits } from "../turn/standing";
import { type LinkedTask, taskOn } from "./task";

/** What is said of a line that has no next step, or whose last plants are not grown for seed. */
const ENDANGERED = {
  "line-lost": "No plants and no seed: get seed, or end the line",
  "line-risk": "Save its seed: there is none in the drawer, and none of its plants are grown for seed",
} as const;

const dangerOf = ({ step, risk }: LineRow): keyof typeof ENDANGERED | null =>
  step === "lost" ? "line-lost" : risk === "no-seed-coming" ? "line-risk" : null;

/** Lines of which nothing lives or will, until somebody gets seed of them or ends them. */
export const endangeredTasks = (sky: Outlook): LinkedTask[] =>
  lineRows(sky).flatMap((row) => {
    const act = row.endedOn === null ? dangerOf(row) : null;
    if (!act) return [];
    const { id, code, name } = row;
    const href = addressOf({ kind: "line", code });
    return taskOn(sky, {
      of: "line",
      id,
      key: `${act} ${id}`,
      act,
      what: ENDANGERED[act],
      from: sky.today,
      name,
      code,
      href,
    });
  });

/** Lines whose next season is not decided on yet, all of them at once, from after the harvest on. */
export function turnTask(sky: Outlook): LinkedTask[] {
  const waits = turnWaits(sky);
  if (!waits) return [];
  const { season, lines, soonest, opens, closes } = waits;
  return [
    taskOn(sky, {
      of: "season",
      id: "turn",
      key: `turn ${season}`,
      act: "turn",
      what: `Decide on ${plural(lines, "line")}: what is sown, where, and what is missing`,
      from: opens,
      best: soonest < closes ? soonest : closes,
      last: closes,
      otherwise: "what is not decided on is not sown",
      name: seasonName(season, sky.garden.latitude),
      href: "/season/turn",
    }),
  ];
}

/** A sowing is asked for so many days before its day; until then it is decided on with all others. */
const SOON = 45;

/** Lines of which nothing is sown or planned, while there is time to sow. */
export const lineTasks = (sky: Outlook): LinkedTask[] => {
  const { closes: last } = decidingOn(sky);
  return regrowView(sky).map(({ lineId, code, name, lot, why, sowOn }) =>
    taskOn(sky, {
      of: "line",
      id: lineId,
      key: `regrow ${lineId}`,
      act: "regrow",
      what: why === "next" ? "Sow the next generation" : "Sow it again, its seed grows old",
      from: addDays(sowOn, -SOON),
      best: sowOn < last ? sowOn : last,
      last,
      otherwise: "this season's sowing is missed",
      name,
      code,
      href: `/seed/${lot}`,
    }),
  );
};
