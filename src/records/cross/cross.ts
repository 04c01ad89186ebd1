import { STORAGES } from "@/core/pollination/storedPollen";
import { choice, count, day, flag, protocol, type Row, real, record, ref, text, whole } from "../record";

const rate = (label: string) => real(label, { least: 0.01, most: 1 });

/** A mother and a father, and what is wanted of them. */
export const cross = record(
  "cross",
  {
    code: text("Code", 40),
    kind: choice("Kind", ["cross", "self", "intercross"]),
    season: whole("Season", 1900, 2200),
    lineId: ref("line", "Line"),
    generation: whole("Generation", 1, 40).optional(),
    motherStandId: ref("stand", "Mother"),
    fatherStandId: ref("stand", "Father"),
    motherPlantId: ref("plant", "Mother plant").optional(),
    fatherPlantId: ref("plant", "Father plant").optional(),
    fruitsWanted: count("Fruits wanted", 10_000),
    seedsWanted: count("Seeds wanted", 10_000_000).optional(),
    seedsPerFruit: count("Seeds in a fruit", 100_000).optional(),
    setLow: rate("Lowest set rate"),
    setHigh: rate("Highest set rate"),
    confidence: real("How sure", { least: 0.5, most: 0.999 }),
    /** The protocol chosen; null for those of before there was a choice. */
    method: protocol("Method").optional(),
    perEvening: count("Flowers you can do in one evening", 500).or(6),
    /** Pollen that is gathered and kept until the mother flowers: how, and since when once it is done. */
    storage: choice("Father's pollen", STORAGES).optional().draws({ none: "Fresh" }),
    storedOn: day("Pollen gathered on").optional(),
    /** Males tied, or tassels bagged, at the father: how many, on which day, and when they were cut. */
    males: count("Males made ready", 1000).optional(),
    malesOn: day("Males made ready on").optional(),
    fetchedOn: day("Males cut on").optional(),
    /** Since when no more flowers are to be done. */
    overOn: day("No more flowers since").optional(),
    plannedOn: day("Planned on"),
    closed: flag("Closed"),
    note: text("Note", 4000).draws({ long: true }),
  },
  { apart: ["code"], together: ["males", "malesOn", "fetchedOn"] },
);
export type Cross = Row<typeof cross>;
export type CrossKind = Cross["kind"];
