import { choice, count, day, flag, type Row, real, record, ref, text, whole } from "../record";

export const stand = record(
  "stand",
  {
    code: text("Code", 40),
    lineId: ref("line", "Line").draws({ none: "Choose a line" }),
    lotId: ref("lot", "Seed lot").optional().draws({ none: "Not from a kept lot" }),
    bedId: ref("bed", "Bed").optional().draws({ none: "In trays for now" }),
    /** The season in which it is expected to flower. */
    season: whole("Season", 1900, 2200),
    generation: whole("Generation", 1, 40).optional(),
    /** Whether its plants carry numbers of their own. */
    family: flag("Number the plants").draws({ hint: "To score and choose them one by one." }),
    sown: day("Sown on").draws({ hint: "A day to come plans it." }),
    sowedSeeds: count("Seeds sown").optional(),
    cameUp: whole("Came up", 0, 1_000_000).optional(),
    sownIn: choice("Sown in", ["ground", "tray", "cells", "pots"]).optional().draws({ none: "As usual" }),
    /** Trays, or pots with several seeds in each. */
    trays: count("Trays", 500).optional().draws({ hint: "Each gets a tag." }),
    perCell: count("Seeds in each cell", 20).optional(),
    /** Pricked out, and the crates their pots stand in. */
    potted: whole("Pricked out", 0, 1_000_000).optional(),
    crates: count("Crates", 500).optional(),
    /** Sound seedlings that were not needed: thinned out, given away. */
    spare: whole("To spare", 0, 1_000_000).optional(),
    plants: whole("Plants", 0, 100_000).optional(),
    plantedOut: day("Planted out").optional(),
    overwinter: choice("Over winter", ["lifted", "left", "late-sown"]).optional().draws({ none: "Not said yet" }),
    spacing: real("Between plants", { least: 0.01, most: 20 }).optional().draws({ measure: "length" }),
    rowCount: count("Rows", 1000).optional(),
    firstFlower: day("First flower").optional().draws({ hint: "As seen; it replaces the forecast." }),
    /** Of which sex that flower was. */
    firstSex: choice("Which opened first", ["male", "female"]).optional(),
    males: whole("Males", 0, 100_000).optional(),
    females: whole("Females", 0, 100_000).optional(),
    cutBack: day("Cut back on").optional(),
    flowers: choice("Flowers", ["open", "covered", "hand", "removed"]).or("open"),
    cover: choice("Covered with", ["bags", "cage", "alternate-cages"]).optional().draws({ none: "Nothing" }),
    /** What a cage is hung with: net holds insects, cloth the pollen that wind carries. */
    mesh: choice("A cage hung with", ["net", "cloth"])
      .optional()
      .draws({ none: "Not known: taken as net", hint: "Net holds insects; pollen on the wind goes through it." }),
    /** Days between walks that take its flowers off. */
    removeEvery: whole("Flowers off every", 1, 30).optional().draws({ unit: "days" }),
    /** Seed is saved only from so many plants, those farthest from the strongest source. */
    saveFrom: count("Seed only from", 100_000).optional().draws({ unit: "plants farthest off" }),
    seedWanted: flag("Grown for").or(1),
    /** Its sowing is not done yet, whatever day was meant for it. */
    planned: flag("Only planned"),
    wanted: count("Plants wanted", 100_000).optional(),
    upOn: day("Came up on").optional(),
    pottedOn: day("Pricked out on").optional(),
    liftedOn: day("Lifted on").optional(),
    storedIn: text("Stored in", 60),
    replantedOn: day("Replanted on").optional(),
    setOn: day("First set on").optional(),
    ripeOn: day("First ripe on").optional(),
    /** The stand of the season before whose plants these are, and where they came through the winter. */
    continuesId: ref("stand", "Goes on from").optional(),
    wintering: choice("Over the winter in", ["house", "outside"]).optional(),
    /** How often it is to be picked for seed, and since when what hangs may be eaten. */
    passesWanted: whole("Passes for seed", 1, 50).optional(),
    releasedOn: day("Released for eating on").optional(),
    endedOn: day("Ended on").optional(),
    ending: choice("Ended as", ["done", "lost", "pulled"]).optional(),
    endedWhy: text("Why it ended", 300),
  },
  { apart: ["code"], together: ["endedOn", "ending", "endedWhy"] },
);
export type Stand = Row<typeof stand>;

/** Whether each plant is raised in a cell or pot of its own from the beginning. */
export const inCells = ({ sownIn }: Pick<Stand, "sownIn">): boolean => sownIn === "cells" || sownIn === "pots";
