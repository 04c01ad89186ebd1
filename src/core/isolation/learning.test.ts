import { describe, expect, test } from "vitest";
import { seeded } from "../numbers/chance";
import { bed, newWays, scene, source, stand } from "../tests/place";
import { airOver, sharesReached } from "./arrival";
import { KERNELS, type KernelRange } from "./kernel";
import { type CountedLot, learnedKernel } from "./learning";

const WORKING = KERNELS.insects;

/** A stand of a garden whose reach is known, and counts of its offspring over some years. */
function counted(reach: number, years: number, plants: number, seed: number): CountedLot[] {
  const luck = seeded(seed);
  return Array.from({ length: years }, (_, year) => {
    const of = scene([stand(1, { bed: bed(1, 0), plants: 12 })], {
      sources: [source(1, 28 + 6 * year, { plants: 60 })],
    });
    const ways = newWays();
    const air = airOver(of);
    const sharesAt = (kernel: KernelRange) => sharesReached(of, of.stands[0]!, kernel, air, ways);
    const drawn = sharesAt({ ...WORKING, scale: reach, low: reach, high: reach });
    const share = drawn[Math.floor(luck() * drawn.length)]!;
    const strange = Array.from({ length: plants }, () => luck() < share).filter(Boolean).length;
    return { plants, strange, sharesAt };
  });
}

describe("what a garden's counts teach of the reach of its pollen", () => {
  test("without counts the working value stands as it is", () => {
    expect(learnedKernel(WORKING, [])).toBe(WORKING);
  });

  test("a reach three times too short or too long is found after three seasons of 200 plants", () => {
    for (const reach of [WORKING.scale * 3, WORKING.scale / 3]) {
      let found = 0;
      for (let seed = 1; seed <= 10; seed++) {
        const { low, high, scale, learned } = learnedKernel(WORKING, counted(reach, 3, 200, seed));
        if (low <= reach && reach <= high) found++;
        expect(Math.abs(Math.log(scale / reach))).toBeLessThan(Math.log(3));
        expect(learned).toMatchObject({ counts: 3, plants: 600, before: { low: 3, scale: 5, high: 10 } });
      }
      expect(found).toBeGreaterThanOrEqual(8);
    }
  });

  test("more plants weigh more, and none of a stranger where many were foreseen shortens the reach", () => {
    const [one] = counted(WORKING.scale, 1, 200, 1);
    const few = learnedKernel(WORKING, [{ ...one!, plants: 10, strange: 0 }]);
    const many = learnedKernel(WORKING, [{ ...one!, plants: 400, strange: 0 }]);
    expect(few.learned!.weight).toBeLessThan(many.learned!.weight);
    expect(many.scale).toBeLessThan(few.scale);
    expect(few.scale).toBeLessThan(WORKING.scale);
    expect(many.high).toBeLessThan(WORKING.high);
  });

  test("a share that no reach explains does not end in nothing", () => {
    const none: CountedLot = { plants: 1000, strange: 1000, sharesAt: () => [0] };
    const { low, scale, high } = learnedKernel(WORKING, [none]);
    expect([low, scale, high].every(Number.isFinite)).toBe(true);
    expect(scale).toBeCloseTo(5, 0);
  });
});
