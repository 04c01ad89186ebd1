import { afterEach, beforeEach, expect, test } from "vitest";
import { VIEW_JOBS } from "@/views/jobs";
import { type LaidOut, plansOf, plansView } from "@/views/plans";
import { todayView } from "@/views/today";
import { family, type Plot, plot } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

test("a plan that is adopted stands in the coming seasons, and its work on Today", () => {
  const { lineId } = family(garden);
  const code = garden.code("line", lineId);
  expect(plansView(garden.sky(), code)).toMatchObject({ sown: "2029-05-10", generation: 1, line: { name: "Lantern" } });
  expect(plansView(garden.sky(), "L99-001-X")).toBe(null);
  const seasons = [
    { generation: 2, plants: 60, title: "F2: self the best, 5 by hand" },
    { generation: 3, plants: 50, title: "F3: compare" },
  ];
  const { entry } = garden.done("line.adopt", { lineId, sown: "2029-05-10", seasons });
  const stands = () =>
    garden.db
      .prepare(
        "SELECT sown, season, generation, wanted, planned, family FROM stand WHERE lineId = ? AND planned = 1 ORDER BY sown",
      )
      .all(lineId);
  expect(stands()).toEqual([
    { sown: "2029-05-10", season: 2029, generation: 2, wanted: 60, planned: 1, family: 1 },
    { sown: "2030-05-10", season: 2030, generation: 3, wanted: 50, planned: 1, family: 1 },
  ]);
  const tasks = garden.db.prepare("SELECT title, due FROM task ORDER BY due").all() as { title: string; due: string }[];
  expect(tasks.map(({ title }) => title)).toEqual(["Lantern: F2: self the best, 5 by hand", "Lantern: F3: compare"]);
  // They are due as it flowers, not as it is sown.
  expect(tasks[0]!.due > "2029-06-01" && tasks[0]!.due < "2029-09-01").toBe(true);
  garden.on(tasks[0]!.due);
  expect(todayView(garden.sky()).tasks.some((one) => JSON.stringify(one).includes("self the best"))).toBe(true);
  garden.on("2028-05-10");
  garden.undone(entry);
  expect(stands()).toEqual([]);
});

test("each way for a crop with what it takes of ground and years, and why it is not for it", () => {
  const asked = { genes: 1, hidden: 0, plants: 20, seasons: 4, heritability: 0.4 };
  const laid = (species: string, more: object = {}) => {
    const lineId = garden.done("line.add", {
      name: species,
      species,
      school: "keep-pure",
      status: "open-pollinated",
      ...more,
    }).id;
    expect(VIEW_JOBS.get("lines.plans")!.schema.validate({ lineId, ...asked }).error).toBeUndefined();
    const job = plansOf(garden.db, { lineId, ...asked });
    let next = job.next();
    while (!next.done) next = job.next();
    return new Map((next.value as LaidOut[]).map((plan) => [plan.scheme, plan]));
  };
  const lettuce = laid("lettuce");
  expect(
    [...lettuce.values()]
      .filter(({ not }) => not !== null)
      .map(({ scheme }) => scheme)
      .sort(),
  ).toEqual(["half-sib", "mass", "pure-line", "undo-hybrid"]);
  expect([...lettuce.values()].findLastIndex(({ not }) => not === null)).toBe(6);
  // Only the cross of the parents asks for a hand where all else selfs by itself.
  expect(lettuce.get("pedigree")).toMatchObject({ years: 4, hands: 1 });
  expect(lettuce.get("pedigree")!.hours).toBeCloseTo((lettuce.get("pedigree")!.plants * 6 + 25) / 60, 10);
  const beet = laid("beet");
  expect(beet.get("pedigree")!.not).toContain("refuse");
  expect(beet.get("mass")).toMatchObject({ years: 8, not: null });
  expect(laid("pepper", { status: "f1-hybrid" }).get("undo-hybrid")!.not).toBe(null);
});

test.each([
  [{ sown: "2028-05-10" }, "sown", "still to come"],
  [{ seasons: [] }, "seasons", "one"],
  [{ every: 4 }, "every", "3"],
])("a plan with %j is refused beside %s", (more, field, words) => {
  const { lineId } = family(garden);
  const told = { lineId, sown: "2029-05-10", seasons: [{ generation: 2, plants: 9, title: "F2" }], ...more };
  expect(garden.refused("line.adopt", told).fields[field]).toContain(words);
});
