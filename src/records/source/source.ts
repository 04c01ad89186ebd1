import { choice, count, day, dayOfYear, json, name, type Row, real, record, species, text, whole } from "../record";

/** Pollen from beyond the fence: a neighbour's crop, a field, a wild stand. */
export const source = record(
  "source",
  {
    name: name("Name"),
    kind: choice("What it is", ["neighbour", "field", "wild", "ornamental"]),
    species: species(),
    /** It is this wild kin of the species, by its name in the catalogue; empty for the crop itself. */
    wild: text("Wild kin", 80),
    /** Points in metres, JSON [[x, y], …]; one where no more is known. */
    outline: json("The outline"),
    plants: count("Plants", 10_000_000),
    presence: real("How sure", { least: 0.05, most: 1 }),
    harm: choice("Harm", ["none", "bitter", "hot", "male-sterile", "wild"]).or("none"),
    flowersFrom: dayOfYear("Flowers from").optional(),
    flowersTo: dayOfYear("Flowers to").optional(),
    /** The season for which the neighbour has agreed to do without. */
    agreedSeason: whole("Agreed for", 1900, 2200).optional(),
    /** The season for which he is to be asked, and when he was. */
    askSeason: whole("To be asked for", 1900, 2200).optional(),
    askedOn: day("Asked on").optional(),
  },
  { together: ["flowersFrom", "flowersTo"] },
);
export type SourceKept = Row<typeof source>;
