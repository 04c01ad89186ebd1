import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { allot, type Wish } from "./allot";
import { PASSPORT, passportDay, statusOf } from "./passport";

const wish = (memberId: string, lotId: string, rank: number): Wish => ({
  id: `${memberId}${lotId}`,
  memberId,
  lotId,
  rank,
});

describe("packets on a sharing day", () => {
  test("go to the dearest wishes first, one in each turn, who came first coming last in the next", () => {
    const wishes = ["a", "b"].flatMap((m) => ["x", "y", "z"].map((lot, i) => wish(m, lot, i + 1)));
    const told = allot(
      wishes,
      ["x", "y", "z"].map((lotId) => ({ lotId, packets: 1 })),
      2,
      1,
    );
    const granted = told.filter((t) => t.granted).map(({ id, why }) => `${id} ${why}`);
    // One of the two takes x; the other y in the same turn, and z first in the next.
    expect([
      ["ax in turn 1, as wish 1", "by in turn 1, as wish 2", "bz in turn 2, as wish 3"],
      ["ay in turn 1, as wish 2", "az in turn 2, as wish 3", "bx in turn 1, as wish 1"],
    ]).toContainEqual(granted);
    const why = (id: string) => told.find((t) => t.id === id && !t.granted)?.why;
    expect([why("ax"), why("bx")].filter(Boolean)).toEqual(["2 wished for the one packet"]);
  });

  test("nobody gets more than the limit, and it is said why not", () => {
    const wishes = [wish("a", "x", 1), wish("a", "y", 2), wish("a", "q", 3)];
    const offers = ["x", "y"].map((lotId) => ({ lotId, packets: 5 }));
    expect(allot(wishes, offers, 1, 9).map(({ why }) => why)).toEqual([
      "in turn 1, as wish 1",
      "the limit of 1 is reached: 1 granted",
      "it is not offered",
    ]);
  });

  test("who begins is drawn, not always the same", () => {
    const wishes = [wish("a", "x", 1), wish("b", "x", 1)];
    const first = (seed: number) => allot(wishes, [{ lotId: "x", packets: 1 }], 1, seed).findIndex((t) => t.granted);
    const drawn = Array.from({ length: 60 }, (_, seed) => first(seed));
    expect(drawn.filter((i) => i === 0).length).toBeGreaterThan(15);
    expect(drawn.filter((i) => i === 1).length).toBeGreaterThan(15);
    expect(first(7)).toBe(first(7));
  });

  test("for any wishes: never more than offered or the limit, none left that somebody could have, and no envy by two", () => {
    const any = fc.record({
      pairs: fc.uniqueArray(fc.tuple(fc.integer({ min: 0, max: 4 }), fc.integer({ min: 0, max: 5 })), {
        selector: ([m, l]) => m * 10 + l,
        maxLength: 25,
      }),
      packets: fc.array(fc.integer({ min: 0, max: 4 }), { minLength: 6, maxLength: 6 }),
      limit: fc.integer({ min: 1, max: 4 }),
      seed: fc.integer(),
    });
    fc.assert(
      fc.property(any, ({ pairs, packets, limit, seed }) => {
        const wishes = pairs.map(([m, l], i) => wish(`m${m}`, `l${l}`, i));
        const offers = packets.map((n, l) => ({ lotId: `l${l}`, packets: n }));
        const told = allot(wishes, offers, limit, seed);
        const by = (key: "memberId" | "lotId", of: string) =>
          wishes.filter((w, i) => w[key] === of && told[i]!.granted).length;
        for (const { lotId, packets: n } of offers) expect(by("lotId", lotId)).toBeLessThanOrEqual(n);
        const members = [...new Set(wishes.map(({ memberId }) => memberId))];
        for (const member of members) {
          expect(by("memberId", member)).toBeLessThanOrEqual(limit);
          const refused = wishes.filter((w, i) => w.memberId === member && !told[i]!.granted);
          if (by("memberId", member) < limit)
            for (const { lotId } of refused)
              expect(by("lotId", lotId)).toBe(offers.find((o) => o.lotId === lotId)!.packets);
        }
      }),
    );
  });
});

describe("passports", () => {
  test("know their descriptors, states and days", () => {
    expect([PASSPORT.length, new Set(PASSPORT).size]).toEqual([41, 41]);
    expect(["100", "300", "415", "423", "500", "200", "600", "7", ""].map(statusOf)).toEqual([
      "wild",
      "mix",
      "breeding-line",
      "breeding-line",
      "open-pollinated",
      "mix",
      "open-pollinated",
      null,
      null,
    ]);
    expect(
      ["20240718", "202407--", "2024----", "20240700", "2024", "20240230", "20241318", "--------", "x"].map(
        passportDay,
      ),
    ).toEqual(["2024-07-18", "2024-07-01", "2024-01-01", "2024-07-01", "2024-01-01", null, null, null, null]);
  });
});
