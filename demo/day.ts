/** The day on which the demo garden stands. */
export const DEMO_DAY = "2027-07-09";
