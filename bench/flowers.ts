import { betaOfRange } from "@/core/numbers/beta";
import { calibrate } from "@/core/tests/flowerSeason";

const SEASONS = 10_000;
const KINDS = [
  { name: "melon, 0.25 to 0.55", range: { low: 0.25, high: 0.55 }, wanted: 6 },
  { name: "little known, 0.1 to 0.8", range: { low: 0.1, high: 0.8 }, wanted: 4 },
];

/** How often the evening's advice reaches what was wanted, against the chance it was asked for. */
export function benchFlowers(): void {
  console.log(
    `\nThe evening's advice, ${SEASONS} seeded seasons each: chance asked | evenings | reached | stated last evening | flowers`,
  );
  for (const { name, range, wanted } of KINDS)
    for (const confidence of [0.8, 0.9, 0.95])
      for (const evenings of [1, 5, 20]) {
        const { reached, stated, flowers } = calibrate(
          { prior: betaOfRange(range), wanted, confidence, evenings, perEvening: 500, lookAfter: 8 },
          SEASONS,
          evenings * 100 + confidence * 100,
        );
        const cells = [confidence, evenings, reached.toFixed(3), stated.toFixed(3), flowers.toFixed(1)];
        console.log(`${name.padEnd(26)} ${cells.map((c) => String(c).padStart(8)).join(" ")}`);
      }
}
