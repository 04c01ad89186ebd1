import { real, record } from "../record";

/** One day's lowest and highest temperature, °C; the id is the day. */
export const reading = record(
  "reading",
  {
    min: real("Lowest", { least: -60, most: 50 }),
    max: real("Highest", { least: -60, most: 60 }),
  },
  { together: ["min", "max"] },
);
