import type { Grower } from "./season";

export const line = (grower: Grower, input: object) =>
  grower.record("line.add", { origin: "", year: 2020, ...input }).id;
