import { choice, count, day, type Row, record, ref, text } from "../record";

/** A plant of a family, known by its number. */
export const plant = record(
  "plant",
  {
    standId: ref("stand", "Stand"),
    number: count("Number", 100_000),
    mark: choice("Mark", ["none", "keep", "seed-parent", "watch", "out"]).or("none"),
    reason: text("Reason"),
    /** The line it is of, where it stands among a family only to measure the place by. */
    checkOfId: ref("line", "Check of").optional(),
    removedOn: day("Day").optional(),
  },
  { same: ["standId", "number"], together: ["mark", "reason", "removedOn"] },
);
export type Plant = Row<typeof plant>;
export type Mark = Plant["mark"];
