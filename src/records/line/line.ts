import { choice, day, flag, name, type Row, real, record, ref, species, text, whole } from "../record";

export const line = record(
  "line",
  {
    code: text("Code", 40),
    name: name("Name"),
    species: species(),
    school: choice("School", ["keep-pure", "cross-and-fix", "let-it-mix"]),
    status: choice("Status", ["open-pollinated", "f1-hybrid", "breeding-line", "mix", "wild"]),
    origin: text("Origin", 200),
    year: whole("Year", 1800, 2100).optional(),
    description: text("Description", 4000),
    /** The share of true seed wanted, 0–1; null where the level of care decides. */
    purity: real("Purity wanted", { least: 0.5, most: 0.9999 }).optional(),
    harm: choice("Its pollen does harm", ["none", "bitter", "hot", "male-sterile"]).or("none"),
    /** Whether its fruiting flowers carry anthers, where those of its species may. */
    anthers: choice("Anthers in fruiting flowers", ["as-species", "yes", "no"]).or("as-species"),
    motherLineId: ref("line", "Mother").optional(),
    fatherLineId: ref("line", "Father").optional(),
    /** The line it is a part of, kept apart to learn. */
    subOfId: ref("line", "Part of").optional(),
    /** One plant, multiplied by runners, tubers or cuttings: its seed does not come true, itself does. */
    cloned: flag("Multiplied by runners, tubers or cuttings"),
    /** Since when it goes by its name as a kept variety. */
    releasedOn: day("Released on").optional(),
    endedOn: day("Ended on").optional(),
    ending: choice("Ended as", ["finished", "given-up", "lost"]).optional(),
    endedWhy: text("Why", 300),
  },
  { apart: ["code"], together: ["endedOn", "ending", "endedWhy"] },
);
export type Line = Row<typeof line>;
export type Status = Line["status"];
