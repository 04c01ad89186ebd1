import { flag, metres, name, type Row, real, record, text } from "../record";

const side = (label: string) => real(label, { least: 0.1, most: 10_000 }).draws({ measure: "length" });

export const bed = record("bed", {
  name: name("Name").draws({ hint: "Short, as on its board: C, far bed." }),
  x: metres("East").draws({ hint: "Of its south-west corner, before turning." }),
  y: metres("North"),
  width: side("Width, east–west"),
  length: side("Length, north–south"),
  turn: real("Turned", { least: 0, below: 360 }).or(0).draws({ unit: "degrees clockwise" }),
  /** Beyond the fence: kept from earlier years; a source takes its place now. */
  outside: flag("Beyond the fence"),
  note: text("Note", 500).draws({ long: true, hint: "Its soil, its sun, what grew badly there." }),
});
export type Bed = Row<typeof bed>;
