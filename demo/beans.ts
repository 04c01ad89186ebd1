import type { Beds } from "./ground";
import { line } from "./line";
import type { Grower } from "./season";

/** Duskwing: kept pure by roguing scarlet flowers before they open to bees. One recessive off-type, kept low. */
export function duskwing(grower: Grower, beds: Beds): void {
  grower.on("2021-02-01");
  const bean = line(grower, {
    name: "Duskwing",
    species: "runner-bean",
    school: "keep-pure",
    status: "open-pollinated",
    origin: "an old allotment, Tarnholt",
    description: "Bicolour flower, dusk and rose; stringless pod.",
  });
  const stringless = grower.record("yardstick.add", {
    lineId: bean,
    name: "Stringless pod",
    kind: "yes-no",
    wanted: "yes",
    weight: 2,
    stage: "fruit",
  }).id;
  const pod = grower.record("yardstick.add", {
    lineId: bean,
    name: "Pod length",
    kind: "number",
    unit: "cm",
    wanted: "high",
    weight: 1,
    stage: "fruit",
  }).id;
  const flower = grower.record("yardstick.add", {
    lineId: bean,
    name: "Flower",
    kind: "category",
    categories: "bicolour, scarlet, white",
    wanted: "category",
    targetWord: "bicolour",
    must: 1,
    weight: 3,
    stage: "flower",
  }).id;
  for (const [name, look, inheritance] of [
    ["scarlet flower bud, off-type", "The bud is red through and through, a week before it opens.", "recessive"],
    ["scarlet showing in the bud", "A red tip in the first buds: look again in two days.", "unknown"],
  ])
    grower.record("offkind.add", { lineId: bean, name, look, inheritance });
  let lot = grower.record("lot.receive", { lineId: bean, gathered: "2021-02-01", seeds: 120 }).id;
  let frequency = 0.32;
  for (let season = 2021; season <= 2027; season++) {
    const { stand, plants } = grower.family(bean, lot, beds.D!, `${season}-05-08`, 60, 52, 40);
    grower.change(stand, { rowCount: 2 });
    const offTypes = plants.filter(() => grower.luck.yes(frequency * frequency));
    const last = season === 2027;
    grower.on(`${season}-06-28`);
    if (offTypes.length > 0 && !last)
      grower.record("plant.remove", { ids: offTypes, reason: "scarlet flower bud, off-type" });
    if (last) {
      for (const id of plants.slice(11, 14))
        grower.record("plant.mark", { id, mark: "out", reason: "scarlet showing in the bud" });
    } else {
      const standing = plants.filter((p) => !offTypes.includes(p));
      grower.on(`${season}-07-12`);
      for (const id of standing) grower.score(id, flower, "bicolour");
      grower.on(`${season}-08-20`);
      for (const id of standing) {
        grower.score(id, stringless, grower.luck.yes(0.55 + 0.06 * (season - 2021)) ? "y" : "n");
        grower.score(id, pod, grower.luck.normal(24 + 0.5 * (season - 2021), 3).toFixed(1));
      }
      grower.on(`${season}-09-24`);
      lot = grower.record("lot.save", { standId: stand, kind: "open", gathered: `${season}-09-24`, seeds: 140 }).id;
    }
    // Off-types taken out before they flower leave only mixed plants: q falls to q / (1 + q).
    frequency = frequency / (1 + frequency) + 0.01;
  }
}
