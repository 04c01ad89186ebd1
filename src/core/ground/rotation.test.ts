import { expect, test } from "vitest";
import { freeBed, tooSoon } from "./rotation";

const pea = (season: number, bedId = "A", name = "Pea") => ({ bedId, family: "Fabaceae", season, name });
const next = (season: number, bedId = "A", family = "Fabaceae") => ({ bedId, family, season });

test("the same family waits its years out in a bed; others, other beds and its own season are no matter", () => {
  const stood = [pea(2025, "A", "Bean"), pea(2026)];
  expect([2027, 2028, 2029, 2030].map((season) => tooSoon(stood, next(season), 3)?.name ?? null)).toEqual([
    "Pea",
    "Pea",
    null,
    null,
  ]);
  expect(tooSoon(stood, next(2027), 2)?.name).toBe("Pea");
  expect(tooSoon(stood, next(2026), 3)?.name).toBe("Bean");
  expect(tooSoon(stood, next(2027, "B"), 3)).toBeNull();
  expect(tooSoon(stood, next(2027, "A", "Solanaceae"), 3)).toBeNull();
  expect(tooSoon([...stood].reverse(), next(2027), 4)?.name).toBe("Pea");
});

test("the first free bed where the family has waited is chosen", () => {
  const stood = [pea(2027, "A"), pea(2026, "B"), pea(2024, "C")];
  const at = { family: "Fabaceae", season: 2028 };
  expect(freeBed(stood, at, 3, ["A", "B", "C", "D"])).toBe("C");
  expect(freeBed(stood, at, 3, ["A", "B"])).toBeNull();
  expect(freeBed(stood, at, 2, ["A", "B"])).toBe("B");
});
