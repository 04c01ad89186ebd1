import { choice, name, type Row, record, ref, text } from "../record";

/** What does not belong in a line: how it is called, how it looks, and how it is inherited as far as anyone knows. */
export const offkind = record(
  "offkind",
  {
    lineId: ref("line", "Line"),
    name: name("Name", 60),
    look: text("How it looks", 500),
    inheritance: choice("Inherited", ["recessive", "dominant", "unknown"]).or("unknown"),
  },
  { same: ["lineId", "name"] },
);
export type Offkind = Row<typeof offkind>;
