import { afterEach, beforeEach, expect, test } from "vitest";
import { plansView } from "@/views/plans";
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

test.each([
  [{ sown: "2028-05-10" }, "sown", "still to come"],
  [{ seasons: [] }, "seasons", "one"],
  [{ every: 4 }, "every", "3"],
])("a plan with %j is refused beside %s", (more, field, words) => {
  const { lineId } = family(garden);
  const told = { lineId, sown: "2029-05-10", seasons: [{ generation: 2, plants: 9, title: "F2" }], ...more };
  expect(garden.refused("line.adopt", told).fields[field]).toContain(words);
});
