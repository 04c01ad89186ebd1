import { expect, test } from "vitest";
import { scannerEar } from "./handScanner";

/** Types text with so many milliseconds between keys. */
function typed(text: string, pace: number, ear = scannerEar(), from = 0): string | null {
  let heard: string | null = null;
  [...text, "Enter"].forEach((key, i) => {
    heard = ear(key, from + i * pace) ?? heard;
  });
  return heard;
}

test("a scanner's typing is heard, a hand's is not", () => {
  expect(typed("X27-014-K", 8)).toBe("X27-014-K");
  expect(typed("X27-014-K", 140)).toBeNull();
  expect(typed("X27-0", 8)).toBeNull();
});

test("keys pressed by hand before the scan are not part of it, and a scan leaves nothing for the next", () => {
  const ear = scannerEar();
  ear("g", 0);
  ear("Shift", 300);
  expect(typed("X27-014-K", 8, ear, 500)).toBe("X27-014-K");
  expect(typed("K26-001-P", 8, ear, 2_000)).toBe("K26-001-P");
});

test("modifier keys between the characters do not break a code", () => {
  const ear = scannerEar();
  let heard: string | null = null;
  ["Shift", "X", "2", "7", "-", "0", "1", "4", "-", "Shift", "K", "Enter"].forEach((key, i) => {
    heard = ear(key, i * 10) ?? heard;
  });
  expect(heard).toBe("X27-014-K");
});
