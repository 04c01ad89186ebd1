import type { SeedFacts } from "../seed/ageing";
import { type Known, learn } from "../seed/alive";

/** Seed that keeps four years, without oil and published constants; and a lot of it that was never tested. */
export const BEAN: SeedFacts = { oil: 0, shelfYears: { low: 3, high: 5 }, viability: null };
export const UNTESTED: Known = learn(BEAN, []).untested;
