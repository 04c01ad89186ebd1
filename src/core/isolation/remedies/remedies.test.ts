import { describe, expect, test } from "vitest";
import { addDays, daysBetween } from "../../calendar/day";
import { ended } from "../../lists/ended";
import { bed, scene, source, stand } from "../../tests/place";
import { type ArrangeTask, arrange, changesOf, judge, optionsOf, type Plan } from "../arrange";
import { airOver, arrivalAt } from "../arrival";
import { applied } from "../change";
import type { Scene, SceneStand } from "../scene";
import { newWays } from "../share";
import { moves } from "./move";
import { remediesFor } from "./remedies";

const remediesOf = (of: Scene, id: number) => {
  const one = of.stands.find((s) => s.id === String(id))!;
  return remediesFor(of, one, arrivalAt(of, one));
};
const near = (more: Partial<SceneStand> = {}, rival: Partial<SceneStand> = {}) =>
  scene([stand(1, { bed: bed(1, 0), ...more }), stand(2, { bed: bed(2, 20), ...rival })]);

describe("ways out", () => {
  const cases: [string, Scene][] = [
    ["a rival in the next bed", near()],
    ["a rival and kept seed of both", near({ seedLasts: 3 }, { seedLasts: 2 })],
    ["a neighbour's crop", scene([stand(1, { bed: bed(1, 0) })], { sources: [source(1, 60), source(2, 90)] })],
    [
      "both, later in the year",
      {
        ...scene([stand(1, { bed: bed(1, 0) }), stand(2, { bed: bed(2, 20) })], { sources: [source(1, 60)] }),
        today: "2027-05-20",
      },
    ],
    ["a selfing crop", near({ species: { ...stand(1).species, selfs: true } })],
  ];

  test.each(cases)("each lowers the figure it claims to lower: %s", (_, of) => {
    const one = of.stands[0]!;
    const now = arrivalAt(of, one).likely;
    const found = remediesOf(of, 1);
    expect(found.filter((r) => r.feasible).length).toBeGreaterThan(2);
    for (const remedy of found) {
      if (!remedy.feasible) {
        expect(remedy.why, remedy.title).not.toBe("");
        continue;
      }
      const next = applied(of, remedy.changes);
      const then = next.stands.find((s) => s.id === "1")!;
      const after = then.seedWanted ? arrivalAt(next, then, airOver(next)) : { likely: 0, chanceOver: 0 };
      expect(after.likely, remedy.title).toBeCloseTo(remedy.after.likely, 12);
      expect(after.likely, remedy.title).toBeLessThan(now);
      expect(after.chanceOver, remedy.title).toBe(remedy.after.chanceOver);
      expect(remedy.enough, remedy.title).toBe(after.chanceOver <= 0.1);
    }
  });

  test("those that are enough come first, those that can't be done last", () => {
    const ranks = remediesOf(near(), 1).map((r) => (r.enough ? 0 : r.feasible ? 1 : 2));
    expect(ranks).toEqual([...ranks].sort());
    expect(new Set(ranks).size).toBe(3);
  });

  test("the shift is the smallest that is enough, ripens in time, and lies ahead", () => {
    const of = near();
    const shift = remediesOf(of, 1).find((r) => r.key === "shift 1")!;
    const change = shift.changes[0] as { sown: string };
    expect(change.sown >= of.today).toBe(true);
    expect(shift.after.chanceOver).toBeLessThanOrEqual(0.1);
    // As the windows are likeliest fewer days would do: the doubt of both asks for more.
    const likely = shift.curve!.filter(
      (p) => p.share <= of.stands[0]!.limit && p.ripens >= of.ripeWanted && p.shift !== 0,
    );
    expect(shift.cost.days).toBeGreaterThan(Math.min(...likely.map((p) => Math.abs(p.shift))));
    const by = Math.sign(daysBetween(of.stands[0]!.sowing.sown, change.sown));
    const less = applied(of, [{ kind: "resow", standId: "1", sown: addDays(change.sown, -by) }]);
    expect(arrivalAt(less, less.stands[0]!).chanceOver).toBeGreaterThan(0.1);
    const late = { ...of, today: "2027-09-20" };
    expect(remediesOf(late, 1).find((r) => r.key === "shift 1")).toMatchObject({ feasible: false, changes: [] });
  });

  test("another year is offered only while kept seed lives", () => {
    const wait = (seedLasts: number | null) => remediesOf(near({ seedLasts }), 1).find((r) => r.key === "wait")!;
    expect(wait(2).feasible).toBe(true);
    expect(wait(0)).toMatchObject({ feasible: false, why: "kept seed will not live until next year" });
    expect(wait(null)).toMatchObject({ feasible: false, why: "no seed of it is kept" });
  });

  test("two that fall short alone are combined where together they are enough", () => {
    const plain = {
      ...scene([stand(1, { bed: bed(1, 0) }), stand(2, { bed: bed(2, 20) })], { sources: [source(1, 60)] }),
      today: "2027-06-28",
    };
    const left = (changes: Parameters<typeof applied>[1]) => {
      const next = applied(plain, changes);
      return arrivalAt(next, next.stands[0]!).high;
    };
    const walk = { kind: "remove", standId: "2", every: 1 } as const;
    const talk = { kind: "agree", sourceId: "1" } as const;
    const limit = (left([walk, talk]) + Math.min(left([walk]), left([talk]))) / 2;
    const of = { ...plain, stands: plain.stands.map((s) => ({ ...s, limit })) };
    const found = remediesOf(of, 1);
    const pairs = found.filter((r) => r.key.includes(" + "));
    expect(pairs.length).toBeGreaterThan(0);
    for (const both of pairs) {
      expect(both.enough).toBe(true);
      for (const part of both.key.split(" + ")) expect(found.find((r) => r.key === part)?.enough).toBe(false);
    }
  });

  test("a bed that is taken, outside, or too small is not a place to move to", () => {
    const of = { ...near(), beds: [bed(1, 0), bed(2, 20), bed(9, 900, { outside: true })] };
    expect(remediesOf(of, 1).some((r) => r.key === "move")).toBe(false);
    const small = { ...near(), beds: [bed(1, 0), bed(8, 500, { width: 1, length: 1 })] };
    expect(remediesOf(small, 1).find((r) => r.key === "move")!.note).toContain("holds 4");
  });
});

/** Every plan there is, the best of them. */
function bruteForce(task: ArrangeTask): number {
  const judgePlan = judge(task);
  let plans: Plan[] = [[]];
  for (const options of optionsOf(task)) plans = plans.flatMap((plan) => options.map((option) => [...plan, option]));
  return plans.reduce((best, plan) => Math.min(best, judgePlan(plan).score), Number.POSITIVE_INFINITY);
}

const finish = (task: ArrangeTask, seed = 1) => ended(arrange(task, seed, 3, 500));

const task = (of: Scene, more: Partial<ArrangeTask> = {}): ArrangeTask => ({
  scene: of,
  stands: of.stands.map((s) => s.id),
  windows: of.stands.map(() => ({ from: "2027-03-20", to: "2027-06-10" })),
  step: 14,
  beds: of.beds.map((b) => b.id),
  means: ["open", "cage", "hand"],
  ...more,
});

describe("arranging a season", () => {
  const three = scene([stand(1, { bed: bed(1, 0) }), stand(2, { bed: bed(2, 14) }), stand(3, { bed: bed(3, 28) })]);

  test.each<[string, ArrangeTask]>([
    ["two stands side by side", task(near(), { step: 20 })],
    ["three in a row", task(three, { step: 28, beds: ["90"], means: ["open", "cage"] })],
    ["three without a spare bed", task(three, { step: 26, beds: [] })],
    ["no time to spare", task(three, { windows: three.stands.map(() => ({ from: "2027-05-01", to: "2027-05-01" })) })],
    ["open flowers only", task(near(), { means: ["open"], beds: [] })],
  ])("finds what trying every plan finds: %s", (_, of) => {
    const best = bruteForce(of);
    expect(finish(of, 2).judged.score).toBeCloseTo(best, 9);
  });

  test("what it finds, applied, holds what it says", () => {
    const of = task(three, { step: 20 });
    const { plan, judged } = finish(of);
    expect(judged).toMatchObject({ over: 0, late: 0 });
    const next = applied(three, changesOf(of, plan));
    for (const one of next.stands) expect(arrivalAt(next, one).chanceOver).toBeLessThanOrEqual(0.1);
  });

  test("the same seed gives the same plan, and a season without clashes is left alone", () => {
    const of = task(three, { step: 20 });
    expect(finish(of, 5).plan).toEqual(finish(of, 5).plan);
    const calm = scene([stand(1), stand(2, { species: { ...stand(1).species, id: "b", crossingGroup: "b" } })]);
    expect(changesOf(task(calm), finish(task(calm)).plan)).toEqual([]);
  });
});

test("a sown stand is transplanted while it is young, and no more after six weeks and a half", () => {
  const one = stand(1);
  const on = (today: string) =>
    moves({
      scene: scene([one], { today }),
      stand: one,
      arrival: { bySource: [] },
      ways: newWays(),
      taken: new Set(["1"]),
    } as never);
  expect(on("2027-05-01")).toMatchObject({ title: "Sow it in bed 90", feasible: true, cost: { visits: 0 } });
  expect(on("2027-05-02")).toMatchObject({ title: "Transplant it in bed 90", feasible: true, cost: { visits: 2 } });
  expect(on("2027-06-15")).toMatchObject({ feasible: true });
  expect(on("2027-06-16")).toMatchObject({ feasible: false, why: "too grown to be moved" });
});
