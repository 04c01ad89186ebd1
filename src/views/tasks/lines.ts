import { addDays } from "@/core/calendar/day";
import { seasonSpan } from "@/core/climate/season";
import { addressOf } from "@/core/custody/address";
import { DECIDED } from "../linePlan";
import { lineRows } from "../lineRows";
import type { Outlook } from "../outlook";
import { regrowView } from "../regrow";
import { type LinkedTask, taskOn } from "./task";

/** Lines of which nothing lives, until somebody gets seed of them or ends them. */
export const lostTasks = (sky: Outlook): LinkedTask[] =>
  lineRows(sky)
    .filter(({ step, endedOn }) => step === "lost" && endedOn === null)
    .map(({ id, code, name }) =>
      taskOn(sky, {
        of: "line",
        id,
        key: `lost ${id}`,
        act: "line-lost",
        what: "No plants and no seed: get seed, or end the line",
        from: sky.today,
        name,
        code,
        href: addressOf({ kind: "line", code }),
      }),
    );

/** Lines of which nothing is sown or planned, while there is time to sow. */
export const lineTasks = (sky: Outlook): LinkedTask[] => {
  const last = addDays(seasonSpan(sky.season, sky.garden.latitude).start, DECIDED);
  return regrowView(sky).map(({ lineId, code, name, lot, why, sowOn }) =>
    taskOn(sky, {
      of: "line",
      id: lineId,
      key: `regrow ${lineId}`,
      act: "regrow",
      what: why === "next" ? "Sow the next generation" : "Sow it again, its seed grows old",
      from: sky.today,
      best: sowOn < last ? sowOn : last,
      last,
      otherwise: "this season's sowing is missed",
      name,
      code,
      href: `/seed/${lot}`,
    }),
  );
};
