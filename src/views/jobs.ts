import type { Fields } from "@/records/record";
import { WAYS_OUT, waysOutJob } from "./waysOut";

/** A job that pages ask for: what may be asked, and the work. */
export type ViewJob = { fields: Fields; run: (input: never) => Generator<unknown, unknown> };

/** What takes too long for a page and is asked for when it is there, by the server's worker. */
export const VIEW_JOBS: ReadonlyMap<string, ViewJob> = new Map<string, ViewJob>([
  ["ground.ways-out", { fields: WAYS_OUT, run: waysOutJob }],
]);
