import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { flowering } from "../flowering/forecast";
import { bed, hedge, SPECIES, scene, source, stand } from "../tests/place";
import { airOver, arrivalAt, arrivals, likelyShare } from "./arrival";
import { canCross } from "./crossing";
import type { Scene, SceneStand } from "./scene";
import { newWays } from "./share";
import { isJudged, oneIn, rangeInWords, verdictOf } from "./verdict";

const at = (of: Scene, id: number) => arrivalAt(of, of.stands.find((s) => s.id === String(id))!);
const pair = (more: Partial<SceneStand> = {}) => [stand(1), stand(2, more)];

describe("what arrives at a stand", () => {
  test("two equal stands take the same from each other", () => {
    const both = arrivals(scene(pair()));
    expect(both.get("1")!.likely).toBeGreaterThan(0);
    expect(both.get("1")!.likely).toBeCloseTo(both.get("2")!.likely, 12);
    expect(both.get("1")!.high).toBeCloseTo(both.get("2")!.high, 12);
  });

  test("the range holds the likely share", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 600 }),
        fc.integer({ min: 0, max: 60 }),
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        (x, later, presence) => {
          const sowing = { sown: `2027-05-${String(1 + (later % 28)).padStart(2, "0")}` };
          const all = at(scene([stand(1), stand(2, { sowing })], { sources: [source(1, x, { presence })] }), 1);
          expect(all.low).toBeLessThanOrEqual(all.likely);
          expect(all.likely).toBeLessThanOrEqual(all.high);
        },
      ),
    );
  });

  test("further, fewer, less sure, behind a hedge: never more", () => {
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 500 }), fc.integer({ min: 1, max: 300 }), (x, by) => {
        const now = at(scene([stand(1)], { sources: [source(1, 48 + x)] }), 1);
        const others = [
          scene([stand(1)], { sources: [source(1, 48 + x + by)] }),
          scene([stand(1)], { sources: [source(1, 48 + x, { plants: Math.max(1, 30 - by) })] }),
          scene([stand(1)], { sources: [source(1, 48 + x, { presence: 0.5 })] }),
          scene([stand(1)], { sources: [source(1, 48 + x, { agreed: true })] }),
          scene([stand(1)], { sources: [source(1, 48 + x)], barriers: [hedge(49 + x / 2)] }),
        ];
        for (const other of others)
          for (const end of ["low", "likely", "high"] as const)
            expect(at(other, 1)[end]).toBeLessThanOrEqual(now[end] + 1e-12);
      }),
    );
  });

  test("a source that may not be there leaves the low end empty, one that is sure does not", () => {
    const low = (presence: number) => at(scene([stand(1)], { sources: [source(1, 60, { presence })] }), 1).low;
    expect(low(0.9)).toBe(0);
    expect(low(1)).toBeGreaterThan(0);
    const likely = (presence: number) => at(scene([stand(1)], { sources: [source(1, 60, { presence })] }), 1).likely;
    expect(likely(0.3)).toBeLessThan(likely(0.9));
  });

  test("the search's quick figure is the likely one", () => {
    const of = scene([stand(1), stand(2), stand(3, { lineId: "1" })], {
      sources: [source(1, 90)],
      barriers: [hedge(70)],
    });
    for (const one of of.stands)
      expect(likelyShare(of, one, airOver(of), newWays())).toBeCloseTo(at(of, Number(one.id)).likely, 12);
  });

  test("another stand of the same line is the stand's own pollen", () => {
    const alone = at(scene(pair()), 1).likely;
    const kin = at(scene([...pair(), stand(3, { lineId: "1", bed: bed(3, 44) })]), 1);
    expect(kin.likely).toBeLessThan(alone);
    expect(kin.bySource.map((s) => s.id)).toEqual(["2"]);
  });

  test.each<[string, Partial<SceneStand>]>([
    ["flowers taken off", { flowers: "removed" }],
    ["another crossing group", { species: { ...SPECIES, id: "other", crossingGroup: "other" } }],
    ["flowering over before it begins", { window: flowering({ sown: "2027-01-01" }, SPECIES, null) }],
    ["no plants", { plants: 0 }],
  ])("nothing comes from a rival with %s", (_, more) => {
    expect(at(scene(pair(more)), 1).likely).toBe(0);
  });

  test.each<[string, Partial<SceneStand>]>([
    ["bags", { flowers: "covered", cover: "bags" }],
    ["a cage", { flowers: "covered", cover: "cage" }],
    ["hand pollination", { flowers: "hand" }],
  ])("%s keep nearly all out", (_, more) => {
    const open = at(scene([stand(1), stand(2)]), 1).likely;
    const kept = at(scene([stand(1, more), stand(2)]), 1).likely;
    expect(kept).toBeGreaterThan(0);
    expect(kept).toBeLessThan(open / 20);
  });

  test("a pair of cages opened in turn is kept from each other, not from the rest of the world", () => {
    const caged = { flowers: "covered" as const, cover: "alternate-cages" as const };
    const open = at(scene(pair(), { sources: [source(1, 200)] }), 1).bySource;
    const turned = at(scene([stand(1, caged), stand(2, caged)], { sources: [source(1, 200)] }), 1).bySource;
    const of = (list: typeof open, key: string) => list.find((s) => s.key === key)!.likely;
    expect(of(turned, "stand 2")).toBeLessThan(of(open, "stand 2") / 8);
    expect(of(turned, "source 1")).toBeGreaterThan(of(open, "source 1") / 4);
  });

  test("a mix minds only what does harm", () => {
    const mix = stand(1, { school: "let-it-mix" });
    expect(at(scene([mix, stand(2)]), 1).bySource).toEqual([]);
    expect(at(scene([mix, stand(2, { harm: "hot" })]), 1).bySource).toHaveLength(1);
    expect(at(scene([mix], { sources: [source(1, 100, { harm: "wild" })] }), 1).bySource).toHaveLength(1);
  });

  test("a relative crosses to its degree, told from either side", () => {
    const other = {
      ...SPECIES,
      id: "other",
      crossingGroup: "other",
      crosses: [{ with: "crop", degree: "sometimes" as const }],
    };
    const related = at(scene([stand(1), stand(2, { species: other })]), 1);
    expect(related.bySource[0]!.degree).toBe("sometimes");
    expect(related.likely).toBeLessThan(at(scene(pair()), 1).likely / 3);
    expect(at(scene([stand(1), stand(2, { species: other })]), 2).likely).toBeGreaterThan(0);
  });

  test("wind brings more from its own side, to wind-pollinated crops only", () => {
    const from = (vector: "wind" | "insects", windFrom: number | null) =>
      at(scene([stand(1, { species: { ...SPECIES, vector } })], { sources: [source(1, 200)], windFrom }), 1).likely;
    expect(from("wind", 90)).toBeGreaterThan(from("wind", null));
    expect(from("wind", 270)).toBeLessThan(from("wind", null));
    expect(from("insects", 90)).toBe(from("insects", null));
  });

  test("seed from the plants farthest off takes less", () => {
    const near = { bed: bed(2, 49) };
    const all = at(scene([stand(1), stand(2, near)]), 1).likely;
    expect(at(scene([stand(1, { saveFrom: 4 }), stand(2, near)]), 1).likely).toBeLessThan(all);
  });
});

describe("the verdict", () => {
  const judged = (school: SceneStand["school"], limit: number) => {
    const one = stand(1, { school, limit });
    return verdictOf(one, at(scene([one, stand(2, { harm: "hot" })]), 1));
  };

  test("measures the range against what is taken, and speaks for the school", () => {
    const { likely, high } = at(scene(pair()), 1);
    expect(judged("keep-pure", likely / 2).level).toBe("over");
    expect(judged("keep-pure", (likely + high) / 2).level).toBe("perhaps");
    expect(judged("keep-pure", high * 2).level).toBe("within");
    expect(judged("keep-pure", 0.01).words).toContain("stranger for a father");
    expect(judged("cross-and-fix", 0.01).words).toContain("Covered crosses are not touched");
    expect(judged("let-it-mix", 0.01).words).toContain("harmful father");
  });

  test("stands the rule of thumb beside it", () => {
    expect(judged("keep-pure", 0.5).thumb).toMatchObject({ metres: 32, wanted: 300, met: false });
    const far = stand(1, { isolation: 30 });
    expect(verdictOf(far, at(scene([far, stand(2)]), 1)).thumb).toMatchObject({ met: true });
    // At the distance itself it is kept; and a limit that is just reached is not over.
    const exactly = stand(1, { isolation: 32 });
    expect(verdictOf(exactly, at(scene([exactly, stand(2)]), 1)).thumb).toMatchObject({ metres: 32, met: true });
    const { likely } = at(scene(pair()), 1);
    expect(judged("keep-pure", likely).level).toBe("perhaps");
  });

  test("does not ask about bagged flowers of a cross, nor about seed nobody wants", () => {
    expect(isJudged(stand(1, { school: "cross-and-fix", flowers: "hand" }))).toBe(false);
    expect(isJudged(stand(1, { school: "keep-pure", flowers: "hand" }))).toBe(true);
    expect(isJudged(stand(1, { seedWanted: false }))).toBe(false);
    expect(isJudged(stand(1, { bed: bed(1, 0, { outside: true }) }))).toBe(false);
  });

  test.each([
    [0.0222, "1 seed in 45"],
    [0.00001, "fewer than 1 seed in 20,000"],
    [0.7, "7 seeds in 10"],
    [0.51, "5 seeds in 10"],
    [0.96, "more than 9 seeds in 10"],
    [1, "more than 9 seeds in 10"],
    [0.00123, "1 seed in 810"],
    [0.00005, "1 seed in 20,000"],
    [0.5, "1 seed in 2"],
  ])("%d is %s", (share, words) => {
    expect(oneIn(share)).toBe(words);
  });

  test("a range begins with almost none only below the rarest that is counted", () => {
    expect(rangeInWords({ low: 0.00005, likely: 0.01, high: 0.02 })).toBe("1 seed in 20,000 to 1 seed in 50");
    expect(rangeInWords({ low: 0.000049, likely: 0.01, high: 0.02 })).toBe("almost none to 1 seed in 50");
  });
});

describe("what can cross", () => {
  test("within a group freely, between groups to a degree or not at all", () => {
    const other = { ...SPECIES, id: "other", name: "Other", crossingGroup: "other" };
    expect(canCross(SPECIES, SPECIES)).toEqual({ can: true, degree: "freely" });
    expect(canCross(SPECIES, { ...other, crosses: [{ with: "crop", degree: "with difficulty" }] })).toMatchObject({
      can: true,
      degree: "with difficulty",
    });
    expect(canCross(SPECIES, other)).toMatchObject({ can: false });
  });
});
