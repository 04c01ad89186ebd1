import { expect, test } from "vitest";
import { answered, NOTHING_YET, nextCard, wrongOnes } from "./practice";

const KEYS = Array.from({ length: 12 }, (_, i) => `k${i}`);

test("what was got wrong comes back after three others, what was right much later", () => {
  let progress = NOTHING_YET;
  const asked: string[] = [];
  for (let i = 0; i < 12; i++) {
    const card = nextCard(KEYS, progress);
    asked.push(card);
    progress = answered(progress, card, card !== "k2" || i > 5);
  }
  expect(asked.slice(0, 3)).toEqual(["k0", "k1", "k2"]);
  expect(asked.indexOf("k2", 3)).toBe(5);
  expect(asked.filter((k) => k === "k0").length).toBeLessThanOrEqual(2);
});

test("every card is asked, none twice running, and wrong ones are counted until they are right", () => {
  let progress = NOTHING_YET;
  const seen = new Set<string>();
  let before = "";
  for (let i = 0; i < 200; i++) {
    const card = nextCard(KEYS, progress);
    expect(card).not.toBe(before);
    before = card;
    seen.add(card);
    progress = answered(progress, card, true);
  }
  expect(seen.size).toBe(12);
  expect(wrongOnes(KEYS, progress)).toBe(0);
  expect(wrongOnes(KEYS, answered(progress, "k3", false))).toBe(1);
});
