import type { Id } from "@/core/custody/id";
import type { Beds } from "./ground";
import { line } from "./line";
import type { Grower } from "./season";

/** Nine founders let mix, with weedy kin along the lane. */
export function orach(grower: Grower, beds: Beds): void {
  grower.on("2021-02-02");
  const mix = line(grower, {
    name: "Tarnholt mixed orach",
    species: "orach",
    school: "let-it-mix",
    status: "mix",
    origin: "nine founders, all colours",
    description: "Survival first, colour later.",
  });
  let lotId: Id | undefined;
  for (let season = 2023; season <= 2027; season++) {
    grower.on(`${season}-04-10`);
    const stand = grower.record("stand.add", {
      lineId: mix,
      bedId: beds.E,
      ...(lotId ? { lotId, sowedSeeds: 120 } : {}),
      sown: `${season}-04-10`,
      plants: 34 + season - 2023,
    }).id;
    if (season === 2027) continue;
    if (season === 2025) {
      grower.on("2025-07-20");
      grower.record("trial.add", { standId: stand, what: "drought", lost: 9, words: "five weeks without rain" });
    }
    grower.on(`${season}-09-10`);
    lotId = grower.record("lot.save", { standId: stand, kind: "open", gathered: `${season}-09-10`, mass: 30 }).id;
  }
}
