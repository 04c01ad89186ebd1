import { describe, expect, test } from "vitest";
import { flowering } from "../flowering/forecast";
import { bed, scene, source, stand } from "../tests/place";
import { arrivals } from "./arrival";
import { applied, type Change } from "./change";
import { newWays, type Way } from "./share";
import { tryOut } from "./tryout";

const of = scene([stand(1), stand(2), stand(3, { school: "cross-and-fix", flowers: "hand" })], {
  sources: [source(1, 150)],
});
const planned = (...changes: Change[]) => applied(of, changes);
const one = (...changes: Change[]) => planned(...changes).stands[0]!;

describe("a change carried out on a plan", () => {
  test("a new sowing moves its windows and forgets what was seen and planted out of the old one", () => {
    const seen = { sown: "2027-05-01", plantedOut: "2027-05-20", firstFlower: "2027-07-01" };
    const plan = { ...of, stands: [stand(1, { sowing: seen }), ...of.stands.slice(1)] };
    const moved = applied(plan, [{ kind: "resow", standId: "1", sown: "2027-06-01" }]).stands[0]!;
    expect(moved.sowing).toEqual({ sown: "2027-06-01", plantedOut: null, firstFlower: null });
    expect(moved.window).toEqual(flowering({ sown: "2027-06-01" }, moved.species, of.climate));
  });

  test("a move takes the bed, and stays where a bed is not there", () => {
    expect(one({ kind: "move", standId: "1", bedId: "91" }).bed).toEqual(bed(91, -300));
    expect(one({ kind: "move", standId: "1", bedId: "999" }).bed).toEqual(of.stands[0]!.bed);
  });

  test.each<[Change, object]>([
    [{ kind: "thicken", standId: "1", plants: 44 }, { plants: 44 }],
    [
      { kind: "save-from", standId: "1", plants: 6 },
      { saveFrom: 6, plants: 20 },
    ],
    [
      { kind: "cover", standId: "1", cover: "bags" },
      { flowers: "covered", cover: "bags", seedWanted: true },
    ],
    [
      { kind: "hand", standId: "1" },
      { flowers: "hand", seedWanted: true },
    ],
    [
      { kind: "remove", standId: "1", every: 3 },
      { flowers: "removed", removeEvery: 3, seedWanted: false },
    ],
    [
      { kind: "not-this-year", standId: "1" },
      { flowers: "removed", removeEvery: null, seedWanted: false },
    ],
  ])("%j", (change, expected) => {
    const next = planned(change);
    expect(next.stands[0]).toMatchObject(expected);
    expect(next.stands.slice(1)).toEqual(of.stands.slice(1));
    expect(next.sources).toEqual(of.sources);
    // The plan it came from is as it was.
    expect(of.stands[0]).toEqual(stand(1));
  });

  test("a promise is the source's alone, and what is not there is left out", () => {
    expect(planned({ kind: "agree", sourceId: "1" }).sources[0]!.agreed).toBe(true);
    expect(planned({ kind: "agree", sourceId: "9" }, { kind: "hand", standId: "9" })).toEqual(of);
  });

  test("several are carried out in order", () => {
    const both = one({ kind: "hand", standId: "1" }, { kind: "cover", standId: "1", cover: "cage" });
    expect(both).toMatchObject({ flowers: "covered", cover: "cage" });
  });

  test("flowers off every few days leave some pollen, a year off leaves none", () => {
    const from = (change: Change) =>
      arrivals(planned(change))
        .get("1")!
        .bySource.find((s) => s.key === "stand 2")?.likely ?? 0;
    const often = from({ kind: "remove", standId: "2", every: 1 });
    const seldom = from({ kind: "remove", standId: "2", every: 7 });
    expect(often).toBeGreaterThan(0);
    expect(seldom).toBeGreaterThan(often);
    expect(from({ kind: "not-this-year", standId: "2" })).toBe(0);
  });
});

describe("a plan tried out", () => {
  test("without changes says what the engine says, of every stand once", () => {
    const tried = tryOut(of, [], newWays());
    const arrived = arrivals(of);
    expect(tried.map((t) => t.id)).toEqual(["1", "2", "3"]);
    expect(tried[0]!.share!.likely).toBe(arrived.get("1")!.likely);
    expect(tried[0]!.share!.limit).toBe(0.01);
    // Hand-pollinated flowers of a cross are not asked about.
    expect(tried[2]!.share).toBeNull();
  });

  test("days on which pollen meets lie within the open stigmas, the strongest first", () => {
    for (const { window, meets } of tryOut(of, [], newWays())) {
      for (const { start, end } of meets) {
        expect(start >= window.female.start && end <= window.female.end).toBe(true);
        expect(start <= end).toBe(true);
      }
      expect(meets.map((m) => m.likely)).toEqual(meets.map((m) => m.likely).sort((a, b) => b - a));
    }
  });

  test("a shift moves one stand's windows and both stands' shares, and ways on the ground are reckoned once", () => {
    const between = new Map<string, Way>();
    const ways = { ...newWays(), between };
    const now = tryOut(of, [], ways);
    const known = between.size;
    expect(known).toBeGreaterThan(0);
    const then = tryOut(of, [{ kind: "resow", standId: "1", sown: "2027-07-15" }], ways);
    expect(between.size).toBe(known);
    expect(then[0]!.window.start > now[0]!.window.start).toBe(true);
    expect(then[1]!.window).toEqual(now[1]!.window);
    expect(then[1]!.share!.likely).toBeLessThan(now[1]!.share!.likely);
    expect(then[0]!.ripening.chance).toBeLessThan(now[0]!.ripening.chance);
  });
});
