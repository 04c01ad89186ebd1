import { real, record } from "../record";

/** Mean daily lowest and highest temperature of a month, °C; the id is the month, `01` to `12`. */
export const normal = record(
  "normal",
  {
    min: real("Lowest", { least: -60, most: 50 }),
    max: real("Highest", { least: -60, most: 60 }),
  },
  { together: ["min", "max"] },
);
