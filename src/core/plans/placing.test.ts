import fc from "fast-check";
import { expect, test } from "vitest";
import { type FreeBed, nearest, placeAll, type WantsGround } from "./placing";

const bed = (id: string, x: number, free: number): FreeBed => ({ id, at: { x, y: 0 }, free });
const want = (lineId: string, plants: number, more: Partial<WantsGround> = {}): WantsGround => ({
  lineId,
  name: `Line ${lineId}`,
  plants,
  each: 1,
  tired: new Set(),
  group: "melo",
  apart: 0,
  ...more,
});
const bedsOf = (wants: WantsGround[], beds: FreeBed[]) => placeAll(wants, beds, []).map(({ bedId }) => bedId);

test("as little ground is left over as may be, and what is taken is gone for the next", () => {
  const beds = [bed("A", 0, 12), bed("B", 10, 6), bed("C", 20, 5)];
  // 5 into C, whole; 6 into B, whole; then 10 into A, of which 2 are left for nobody who wants 5.
  expect(bedsOf([want("1", 5), want("2", 6), want("3", 10), want("4", 5)], beds)).toEqual(["C", "B", "A", null]);
});

test("where nothing has room for all, a bed that holds half at least is offered with how many fit", () => {
  expect(placeAll([want("1", 10)], [bed("A", 0, 5.9), bed("B", 9, 4)], [])).toEqual([
    { bedId: "A", fits: 5, near: null, tired: false },
  ]);
  expect(placeAll([want("1", 12)], [bed("A", 0, 5.9)], [])).toEqual([
    { bedId: null, fits: 0, near: null, tired: false },
  ]);
});

test("a bed in which its family stood too lately comes after all that had rest, and says so", () => {
  const beds = [bed("A", 0, 50), bed("B", 10, 6)];
  expect(bedsOf([want("1", 6, { tired: new Set(["A"]) })], beds)).toEqual(["B"]);
  // Half of it with rest is better than all of it without.
  expect(bedsOf([want("1", 12, { tired: new Set(["A"]) })], beds)).toEqual(["B"]);
  expect(placeAll([want("1", 13, { tired: new Set(["A"]) })], beds, [])).toMatchObject([{ bedId: "A", tired: true }]);
  expect(placeAll([want("1", 6, { tired: new Set(["A", "B"]) })], beds, [])).toMatchObject([
    { bedId: "B", fits: 6, tired: true },
  ]);
});

test("what is kept open stands as far from its kind as the beds allow, and says how far", () => {
  const beds = [bed("A", 0, 10), bed("B", 30, 10), bed("C", 100, 40)];
  const open = { apart: 400 };
  const placed = placeAll([want("1", 6, open), want("2", 6, open), want("3", 6, { apart: 400, group: "pepo" })], beds, [
    { lineId: "9", name: "Next door", group: "melo", at: { x: -20, y: 0 } },
  ]);
  // The first goes furthest from next door, 120 m; the second into the middle: 50 m from the one, 70 m from the other.
  expect(placed).toEqual([
    { bedId: "C", fits: 6, near: { name: "Next door", metres: 120 }, tired: false },
    { bedId: "B", fits: 6, near: { name: "Next door", metres: 50 }, tired: false },
    { bedId: "A", fits: 6, near: null, tired: false },
  ]);
  // By hand it goes where it leaves least over.
  expect(placeAll([want("1", 6)], beds, []).at(0)!.bedId).toBe("A");
  // Its own line is no stranger.
  expect(
    nearest(want("1", 6, open), { x: 0, y: 0 }, [{ lineId: "1", name: "x", group: "melo", at: { x: 1, y: 0 } }]),
  ).toBe(null);
});

test("no bed ever holds more than it has, and who comes first never gets less for those who come later", () => {
  const anyBed = fc.record({ free: fc.double({ min: 0, max: 40, noNaN: true }), x: fc.integer({ min: 0, max: 200 }) });
  const anyWant = fc.record({
    plants: fc.integer({ min: 1, max: 60 }),
    each: fc.double({ min: 0.02, max: 2, noNaN: true }),
    tired: fc.subarray(["0", "1", "2", "3"]),
    apart: fc.constantFrom(0, 3, 400),
    group: fc.constantFrom("a", "b"),
  });
  fc.assert(
    fc.property(
      fc.array(anyBed, { minLength: 1, maxLength: 4 }),
      fc.array(anyWant, { minLength: 1, maxLength: 15 }),
      (some, asked) => {
        const beds = some.map(({ free, x }, i) => bed(String(i), x, free));
        const wants = asked.map((one, i) => want(String(i), one.plants, { ...one, tired: new Set(one.tired) }));
        const placed = placeAll(wants, beds, []);
        for (const { id, free } of beds) {
          const taken = placed.reduce((sum, one, i) => sum + (one.bedId === id ? one.fits * wants[i]!.each : 0), 0);
          expect(taken).toBeLessThanOrEqual(free + 1e-6);
        }
        for (const [i, { bedId, fits, tired }] of placed.entries()) {
          expect(tired).toBe(bedId !== null && wants[i]!.tired.has(bedId));
          expect(fits === 0 ? bedId : fits >= wants[i]!.plants / 2).toBe(fits === 0 ? null : true);
        }
        expect(placeAll(wants.slice(0, -1), beds, [])).toEqual(placed.slice(0, -1));
      },
    ),
    { numRuns: 300 },
  );
});
