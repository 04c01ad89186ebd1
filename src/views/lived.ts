import { type Stage, stageOf } from "@/core/work/life";
import type { Deed } from "@/records/deed/deed";
import { storeLooks } from "@/records/deed/queries";
import type { ForecastStand, Outlook } from "./outlook";

/** A stand with where it is in its life. */
export type LivedStand = ForecastStand & {
  stage: Stage;
  /** What was sound at each look into the store. */
  looks: Pick<Deed, "on" | "counted">[];
};

export const livedStand = (stand: ForecastStand, { db, today }: Outlook): LivedStand => ({
  ...stand,
  stage: stageOf(stand, today),
  looks: storeLooks(db, stand.id),
});
