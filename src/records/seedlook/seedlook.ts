import { count, type Row, record, ref, text } from "../record";

/** How many of a lot's seeds show a word of a yardstick, where the seed is the offspring to be seen. */
export const seedlook = record(
  "seedlook",
  {
    lotId: ref("lot", "Lot"),
    yardstickId: ref("yardstick", "Yardstick"),
    word: text("Word", 60),
    seeds: count("Seeds", 1_000_000),
  },
  { same: ["lotId", "yardstickId", "word"] },
);
export type Seedlook = Row<typeof seedlook>;
