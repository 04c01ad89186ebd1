import { flag, metres, name, type Row, real, record, text } from "../record";

const side = (label: string) => real(label, { least: 0.1, most: 10_000 });

export const bed = record("bed", {
  name: name("Name"),
  x: metres("East"),
  y: metres("North"),
  width: side("Width"),
  length: side("Length"),
  turn: real("Turned", { least: 0, below: 360 }).or(0),
  /** Beyond the fence: kept from earlier years; a source takes its place now. */
  outside: flag("Beyond the fence"),
  /** Its soil, its sun, what grew badly there. */
  note: text("Note", 500),
});
export type Bed = Row<typeof bed>;
