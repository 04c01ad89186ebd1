import { describe, expect, test } from "vitest";
import { checkCharacter, flowerCode, KINDS, type Kind, makeCode, readCode } from "./code";
import { generationName, nameWithGeneration, nextGeneration, seedsInLot } from "./generation";
import { tagOutline, tagPolygon } from "./tagShape";

const TYPED = "0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ";
const KIND_NAMES = Object.keys(KINDS) as (keyof typeof KINDS)[];
const CODES = [
  ...KIND_NAMES.flatMap((kind) =>
    [1, 14, 99, 100, 999, 1000, 4821].map((serial) => makeCode(kind, 2027 + (serial % 9), serial)),
  ),
  // Of the flowers of crosses with short and long numbers.
  ...[1, 14, 999, 1000, 4821].flatMap((serial) =>
    [1, 7, 10, 99, 100, 1234].map((number) => flowerCode(makeCode("cross", 2027 + (serial % 9), serial), number)),
  ),
];

describe("codes", () => {
  test("are read as written, in any case, with O for 0 and I for 1", () => {
    for (const code of CODES) {
      expect(readCode(code)).toMatchObject({ ok: true, code });
      expect(readCode(code.toLowerCase().replaceAll("-", " ").replaceAll("0", "o").replaceAll("1", "i"))).toMatchObject(
        { ok: true, code },
      );
    }
  });

  test("every single wrong character is caught", () => {
    let tried = 0;
    for (const code of CODES)
      for (let i = 0; i < code.length; i++)
        for (const wrong of TYPED) {
          const heard = { O: "0", I: "1" }[wrong] ?? wrong;
          if (code[i] === "-" || heard === code[i]) continue;
          const slip = readCode(code.slice(0, i) + wrong + code.slice(i + 1));
          expect(slip.ok && slip.code, `${code} with ${wrong} at ${i}`).toBe(false);
          tried++;
        }
    expect(tried).toBeGreaterThan(20_000);
  });

  test("every swap of neighbours is caught", () => {
    for (const code of CODES) {
      const bare = code.replaceAll("-", "");
      for (let i = 0; i + 1 < bare.length; i++) {
        if (bare[i] === bare[i + 1]) continue;
        const swapped = bare.slice(0, i) + bare[i + 1] + bare[i] + bare.slice(i + 2);
        expect(readCode(swapped).ok, `${bare} as ${swapped}`).toBe(false);
      }
    }
  });

  test("a flower's code leads to its cross and number, and only a cross's flowers have one", () => {
    const cross = makeCode("cross", 2027, 14);
    expect(readCode(flowerCode(cross, 3))).toMatchObject({ ok: true, kind: "flower", cross, number: 3 });
    expect(readCode(cross)).toMatchObject({ ok: true, kind: "cross", code: cross });
    const lot = `K27014N3${checkCharacter("K27014N3")}`;
    expect(readCode(lot)).toMatchObject({ ok: false });
  });

  test("the check character of a payload is one of the alphabet that can't be misread", () => {
    expect(checkCharacter("X27014")).toMatch(/^[0-9A-HJ-NPR-TW-Z]$/);
  });
});

test("generations count from the F1", () => {
  expect(nextGeneration("cross", 5, null)).toBe(1);
  expect(nextGeneration("self", 2, 2)).toBe(3);
  expect(nextGeneration("intercross", 3, 5)).toBe(6);
  expect(nextGeneration("open", null, null)).toBeNull();
  const named = (lineName: string, generation: number | null, backcrosses: number) =>
    nameWithGeneration({ lineName, generation, backcrosses });
  expect([generationName(3, 0), named("Duskwing", null, 0), named("Lantern", 5, 0), named("Lantern", 2, 1)]).toEqual([
    "F3",
    "Duskwing",
    "Lantern F5",
    "Lantern BC1F2",
  ]);
});

test("weighed seed is a range, counted seed is not", () => {
  expect(seedsInLot(null, 10, { low: 20, high: 30 })).toEqual({ likely: 250, low: 200, high: 300, counted: false });
  expect(seedsInLot(null, null, { low: 20, high: 30 })).toBeNull();
  expect(seedsInLot(77, 10, { low: 20, high: 30 })).toEqual({ likely: 77, low: 77, high: 77, counted: true });
});

test("outlines stay within their label and screen and paper share them", () => {
  for (const kind of [...KIND_NAMES, "flower"] as Kind[]) {
    const corners = tagOutline(kind, 90, 32);
    expect(corners.every((c) => c.x >= 0 && c.x <= 90 && c.y >= 0 && c.y <= 32)).toBe(true);
    expect(tagPolygon(kind, 32).match(/calc/g)).toHaveLength(corners.length);
  }
});
