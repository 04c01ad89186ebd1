import { addDays } from "@/core/calendar/day";
import { seasonSpan } from "@/core/climate/season";
import type { Outlook } from "../outlook";
import { DECIDED, regrowView } from "../regrow";
import { type LinkedTask, taskOn } from "./task";

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
