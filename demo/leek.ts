import type { Day } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import type { Beds } from "./ground";
import { line } from "./line";
import type { Grower } from "./season";

/** Slatefoot: second-year seed, half lifted, half under mulch; a hard winter took most of the mulched ones. */
export function leek(grower: Grower, beds: Beds): void {
  grower.on("2024-02-01");
  const slate = line(grower, {
    name: "Slatefoot",
    species: "leek",
    school: "keep-pure",
    status: "open-pollinated",
    origin: "kept in the valley",
    description: "Blue-grey leaves, short thick shank, stands hard frost.",
  });
  const lot = grower.record("lot.receive", {
    lineId: slate,
    gathered: "2024-02-01",
    mass: 4,
    note: "second-year seed of 2023",
  }).id;
  grower.on("2026-03-28");
  const lifted = grower.record("stand.add", {
    lineId: slate,
    lotId: lot,
    bedId: beds.F,
    sown: "2026-03-28",
    sowedSeeds: 200,
    overwinter: "lifted",
  }).id;
  const mulched = grower.record("stand.add", {
    lineId: slate,
    lotId: lot,
    bedId: beds.M,
    sown: "2026-03-28",
    sowedSeeds: 120,
    overwinter: "left",
  }).id;
  grower.on("2026-06-01");
  grower.change(lifted, { cameUp: 150, plants: 52 });
  grower.change(mulched, { cameUp: 88, plants: 30 });
  const done = (on: Day, standId: Id, act: string, more: object = {}) => {
    grower.on(on);
    grower.record("deed.done", { standId, act, ...more });
  };
  done("2026-10-03", lifted, "lift", { counted: 40, storedIn: "cellar, sand box by the door" });
  const bands = "as thick as a thumb to as a broom handle";
  const sorted = { standId: lifted, bands };
  grower.record("sorting.add", { ...sorted, moment: "lift", fit: 40, small: 5, large: 3, split: 2, odd: 2 });
  done("2026-10-11", mulched, "mulch");
  done("2026-11-02", lifted, "look-store", { counted: 39 });
  done("2026-12-06", lifted, "look-store", { counted: 37 });
  done("2027-01-08", lifted, "look-store", { counted: 36 });
  done("2027-02-07", lifted, "look-store", { counted: 34 });
  done("2027-03-20", lifted, "replant", { counted: 34 });
  grower.record("sorting.add", { ...sorted, moment: "replant", fit: 34, rotten: 6 });
  grower.change(mulched, { plants: 4 });
}
