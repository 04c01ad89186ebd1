import { PLAN_WAYS } from "@/core/plans/linePlan";
import { choice, day, flag, name, type Row, real, record, ref, species, text, whole } from "../record";

export const line = record(
  "line",
  {
    code: text("Code", 40),
    name: name("Name"),
    species: species(),
    school: choice("Approach", ["keep-pure", "cross-and-fix", "let-it-mix"]).draws({
      hint: "How isolation, numbers and off-types are judged for it.",
    }),
    status: choice("Status", ["open-pollinated", "f1-hybrid", "breeding-line", "mix", "wild"]),
    origin: text("Origin", 200),
    year: whole("Year", 1800, 2100).optional(),
    description: text("Description", 4000).draws({ long: true, hint: "The aim, or what it looks like true to type." }),
    /** The share of true seed wanted, 0–1; null where the level of care decides. */
    purity: real("Purity wanted", { least: 0.5, most: 0.9999 })
      .optional()
      .draws({ measure: "share", unit: "% true seed", hint: "Empty: by the garden's level of care." }),
    harm: choice("Would its pollen harm others?", ["none", "bitter", "hot", "male-sterile"]).or("none"),
    /** Whether its fruiting flowers carry anthers, where those of its species may. */
    anthers: choice("Do its fruiting flowers carry anthers?", ["as-species", "yes", "no"])
      .or("as-species")
      .draws({ hint: "It decides whether buds are emasculated." }),
    motherLineId: ref("line", "Mother").optional(),
    fatherLineId: ref("line", "Father").optional(),
    /** The line it is a part of, kept apart to learn. */
    subOfId: ref("line", "Part of").optional(),
    /** One plant, multiplied by runners, tubers or cuttings: its seed does not come true, itself does. */
    cloned: flag("One plant, multiplied by runners, tubers or cuttings").draws({
      hint: "Then it is judged by itself, not by its seed.",
    }),
    /** The way of breeding that its plan takes; none where it goes on as its kind usually does. */
    way: choice("Way of breeding", PLAN_WAYS).optional(),
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
