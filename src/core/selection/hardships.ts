/** What plants may come through. */
export const HARDSHIPS = ["frost", "drought", "heat", "wet", "pest", "disease", "weeds", "neglect"] as const;
export type Hardship = (typeof HARDSHIPS)[number];
