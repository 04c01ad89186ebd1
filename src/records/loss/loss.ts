import { type Row, record, ref, text } from "../record";

/** A reason for which plants of a line are removed that is no off-type of it: slugs, a broken stem. */
export const loss = record(
  "loss",
  { lineId: ref("line", "Line"), reason: text("Reason") },
  { same: ["lineId", "reason"] },
);
export type Loss = Row<typeof loss>;
