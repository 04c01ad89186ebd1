import { describe, expect, test } from "vitest";
import { seeded } from "../numbers/chance";
import type { CauseKind, SurpriseInput } from "./causes";
import { surprise } from "./surprise";

const suspect = (key: string, likely: number, resembles: boolean | null = null) => ({
  key,
  name: key,
  share: { low: likely / 3, likely, high: likely * 3 },
  resembles,
});
const odd = (more: Partial<SurpriseInput> = {}): SurpriseInput => ({
  plants: 12,
  odd: 1,
  sisters: [],
  inheritance: "unknown",
  suspects: [suspect("near", 0.02), suspect("far", 0.0002)],
  made: "open",
  doubt: false,
  broken: false,
  hidden: { carrier: 0.05, share: 0.25 },
  mixed: 0.06,
  stands: true,
  seedsLeft: 60,
  sisterSeeds: 60,
  ...more,
});
const chances = (more: Partial<SurpriseInput> = {}) => {
  const { causes } = surprise(odd(more));
  const of = (kind: CauseKind, key: string | null = null) =>
    causes.find((one) => one.kind === kind && one.key === key)!.chance;
  return { causes, of };
};

describe("what may have made a plant odd", () => {
  test("the chances sum to one, the likeliest first, and every cause has its place", () => {
    const { causes } = chances();
    expect(causes.reduce((sum, { chance }) => sum + chance, 0)).toBeCloseTo(1, 12);
    expect(causes.map(({ chance }) => chance)).toEqual(causes.map(({ chance }) => chance).sort((a, b) => b - a));
    expect(causes.map(({ kind }) => kind).sort()).toEqual(
      ["pollen", "pollen", "stranger", "mixed-seed", "hidden", "unfixed", "slip", "mutation"].sort(),
    );
    expect(causes[0]).toMatchObject({ kind: "pollen", key: "near" });
  });

  test("one copy that shows is no hidden recessive; a hidden one is hardly new pollen", () => {
    expect(chances({ inheritance: "dominant" }).of("hidden")).toBe(0);
    const recessive = chances({ inheritance: "recessive", hidden: { carrier: 0.3, share: 0.25 } });
    expect(recessive.causes[0]!.kind).toBe("hidden");
    expect(recessive.of("pollen", "near")).toBeLessThan(0.15);
  });

  test("what it looks like speaks for whom it looks like: eighteen to one", () => {
    const before = chances();
    const like = chances({ suspects: [suspect("near", 0.02, true), suspect("far", 0.0002)] });
    const ratio = (one: typeof before) => one.of("pollen", "near") / one.of("hidden");
    expect(ratio(like) / ratio(before)).toBeCloseTo(18, 9);
    const unlike = chances({ suspects: [suspect("near", 0.02, false), suspect("far", 0.0002)] });
    expect(ratio(unlike) / ratio(before)).toBeCloseTo(0.1 / 0.95, 9);
  });

  test("a tied flower met a fiftieth, a doubtful one half", () => {
    // One odd of one plant: the chance is the rate, so the odds are in proportion to it.
    const rate = (more: Partial<SurpriseInput>) => {
      const { of } = chances({ plants: 1, odd: 1, ...more });
      return of("pollen", "near") / of("hidden");
    };
    expect(rate({ made: "by-hand" }) / rate({})).toBeCloseTo(0.02, 9);
    expect(rate({ made: "by-hand", doubt: true }) / rate({})).toBeCloseTo(0.5, 9);
  });

  test("a whole tray is a label; a quarter of a family is hidden; a broken chain is mixed seed", () => {
    expect(chances({ odd: 12 }).causes[0]!.kind).toBe("slip");
    expect(chances({ plants: 24, odd: 6 }).causes[0]!.kind).toBe("hidden");
    const far = { suspects: [], hidden: { carrier: 0, share: 0.25 } };
    const [whole, broken] = [chances(far), chances({ ...far, broken: true })];
    expect(broken.of("mixed-seed") / broken.of("slip") / (whole.of("mixed-seed") / whole.of("slip"))).toBeGreaterThan(
      15,
    );
  });

  test("sisters that are odd too speak for pollen that reached them all, sound ones against a high rate", () => {
    const base = chances();
    const some = chances({ sisters: [{ plants: 12, odd: 1 }] });
    const none = chances({ sisters: Array.from({ length: 8 }, () => ({ plants: 40, odd: 0 })) });
    const pollen = (one: typeof base) => one.of("pollen", "near") / one.of("hidden");
    expect(pollen(some)).toBeGreaterThan(pollen(base));
    expect(pollen(none)).toBeLessThan(pollen(base) / 2);
    expect(some.of("slip")).toBeLessThan(base.of("slip") / 2);
  });

  test("what would tell: nothing where nothing is left, and comparing before growing", () => {
    const tests = (more: Partial<SurpriseInput> = {}) => surprise(odd(more)).tests;
    expect(tests().map(({ key }) => key)[0]).toBe("compare");
    expect(new Set(tests().map(({ key }) => key))).toEqual(new Set(["compare", "more", "self", "sisters"]));
    expect(tests({ stands: false, seedsLeft: 0, sisterSeeds: 0, suspects: [] })).toEqual([]);
    expect(tests({ seedsLeft: 5 }).find(({ key }) => key === "more")!.plants).toBe(5);
    expect(tests({ suspects: [suspect("near", 0.02, true)] }).some(({ key }) => key === "compare")).toBe(false);
    // Nobody learns more than there is to know.
    const { causes } = surprise(odd());
    const all = causes.reduce((sum, { chance: p }) => (p > 0 ? sum - p * Math.log2(p) : sum), 0);
    for (const { gain } of tests()) expect(gain >= 0 && gain <= all).toBe(true);
    // Selfing parts a dominant stranger from another line's seed.
    const dominant = tests({ inheritance: "dominant", suspects: [suspect("near", 0.004)], broken: true });
    expect(dominant.find(({ key }) => key === "self")!.gain).toBeGreaterThan(0.3);
  });

  test.each([0, 13])("%s odd of twelve is refused", (count) => {
    expect(() => surprise(odd({ odd: count }))).toThrow("odd");
  });

  test("stated chances are as often true, over families that came about in each way", () => {
    const random = seeded(5);
    const bins = new Map<number, { said: number; true: number; of: number }>();
    const hit = (n: number, rate: number) => Array.from({ length: n }, random).filter((r) => r < rate).length;
    let families = 0;
    while (families < 3000) {
      const near = 0.0005 * 40 ** random();
      const carrier = 0.3 * random();
      const input = odd({ suspects: [suspect("near", near)], hidden: { carrier, share: 0.25 }, mixed: 0 });
      // Each cause by itself, with a rate within its range, as the ways of the world have it.
      const within = ({ low, likely, high }: { low: number; likely: number; high: number }) => {
        const at = [low, Math.sqrt(low * likely), likely, Math.sqrt(likely * high), high];
        const r = random();
        return at[r < 0.1 ? 0 : r < 0.3 ? 1 : r < 0.7 ? 2 : r < 0.9 ? 3 : 4]!;
      };
      const made: [CauseKind, number][] = [
        ["pollen", hit(12, 0.5 * within(input.suspects[0]!.share))],
        ["stranger", hit(12, 0.5 * within({ low: 0.0002, likely: 0.002, high: 0.02 }))],
        ["mixed-seed", hit(12, 0.7 * within({ low: 0.00005, likely: 0.0005, high: 0.005 }))],
        ["hidden", random() < carrier * 0.5 ? hit(12, 0.25) : 0],
        ["slip", random() < 0.004 * 0.7 ? (random() < 1 / 3 ? 12 : 1) : 0],
      ];
      const causes = made.filter(([, count]) => count > 0);
      if (causes.length !== 1) continue;
      families++;
      const [[truth, count]] = causes as [[CauseKind, number]];
      for (const { kind, chance } of surprise({ ...input, odd: count }).causes) {
        const bin = Math.min(4, Math.floor(chance * 5));
        const known = bins.get(bin) ?? { said: 0, true: 0, of: 0 };
        bins.set(bin, { said: known.said + chance, true: known.true + Number(kind === truth), of: known.of + 1 });
      }
    }
    for (const { said, true: right, of } of bins.values()) {
      const share = right / of;
      // Three standard errors, and what is left out where two causes meet.
      expect(Math.abs(share - said / of)).toBeLessThan(3 * Math.sqrt((share * (1 - share)) / of) + 0.03);
    }
    expect(bins.size).toBe(5);
  });
});
