import { addDays } from "@/core/calendar/day";
import { nameWithGeneration } from "@/core/custody/generation";
import { sourcesToAsk } from "@/records/ground/queries";
import { sharings } from "@/records/sharing/queries";
import { openTasks } from "@/records/task/queries";
import { openTastings } from "@/records/tasting/queries";
import type { Outlook } from "../outlook";
import { type LinkedTask, taskOn } from "./task";

/** A sharing day is made ready for so many days before. Working value. */
const READY = 7;

/** The grower's own tasks. */
export const ownTasks = (sky: Outlook): LinkedTask[] =>
  openTasks(sky.db).map(({ id, title, due, note }) =>
    taskOn(sky, {
      of: "own",
      id,
      key: `own ${id}`,
      act: "own",
      what: title,
      how: note,
      from: due,
      name: "",
      href: "/",
    }),
  );

/** Neighbours to be asked, tastings that are open, sharing days that come. */
export const otherTasks = (sky: Outlook): LinkedTask[] => [
  ...sourcesToAsk(sky.db)
    // Whose season is over has nothing to agree to any more.
    .filter(({ askSeason }) => askSeason! >= sky.season)
    .map(({ id, name }) =>
      taskOn(sky, {
        of: "neighbour",
        id,
        key: `ask ${id}`,
        act: "ask",
        what: "Ask the neighbour",
        from: sky.today,
        name,
        href: "/",
      }),
    ),
  ...openTastings(sky.db, sky.today).map((tasting) =>
    taskOn(sky, {
      of: "tasting",
      id: tasting.id,
      key: `tasting ${tasting.id}`,
      act: "tasting",
      what: `Taste for ${tasting.yardstick}`,
      from: sky.today,
      name: nameWithGeneration(tasting),
      code: tasting.code,
      href: `/nursery/${tasting.code}/tasting?of=${tasting.id}`,
    }),
  ),
  ...sharings(sky.db)
    .filter(({ on, closedOn }) => closedOn === null && on >= sky.today)
    .map(({ id, name, on }) =>
      taskOn(sky, {
        of: "sharing",
        id,
        key: `sharing ${id}`,
        act: "sharing",
        what: "Sharing day",
        from: addDays(on, -READY),
        best: on,
        last: on,
        name,
        href: `/seed/sharing?of=${id}`,
      }),
    ),
];
