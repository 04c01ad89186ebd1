import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { addDays } from "../calendar/day";
import { atBearing, bearingTo, cornersOf, gap, middleOf, type Point } from "../ground/shape";
import { bed, newWays, SPECIES, scene, source, stand } from "../tests/place";
import { airOver, arrivalAt, groundsOf, likelyShare } from "./arrival";
import type { Vector } from "./kernel";
import type { Barrier, Scene, SceneSource, SceneSpecies, SceneStand } from "./scene";

/** Any species of one crossing group, or one that crosses with it to some degree. */
const species = fc
  .record({
    kin: fc.boolean(),
    vector: fc.constantFrom<Vector>("insects", "insects that fly far", "wind", "own pollen, sometimes insects"),
    refuses: fc.boolean(),
    low: fc.double({ min: 0.01, max: 0.8, noNaN: true }),
    wide: fc.double({ min: 0, max: 0.2, noNaN: true }),
  })
  .map(
    ({ kin, vector, refuses, low, wide }): SceneSpecies => ({
      ...SPECIES,
      ...(kin ? { id: "kin", crossingGroup: "kin", crosses: [{ with: "crop", degree: "sometimes" }] } : {}),
      vector,
      refuses,
      outcrossing: { low, high: low + wide },
    }),
  );

const metres = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const day = (from: number, to: number) => fc.integer({ min: from, max: to });

const anyStand = (id: number) =>
  fc
    .record({
      species,
      lineId: fc.constantFrom("1", "2", "3"),
      plants: fc.integer({ min: 2, max: 120 }),
      spacing: metres(0.1, 0.8),
      x: metres(-80, 80),
      y: metres(-80, 80),
      turn: metres(0, 180),
      later: day(0, 25),
      flowers: fc.constantFrom<SceneStand["flowers"]>("open", "open", "open", "covered", "removed", "hand"),
      removeEvery: fc.constantFrom(null, 3, 10),
      cover: fc.constantFrom<SceneStand["cover"]>("bags", "cage", "alternate-cages"),
      school: fc.constantFrom<SceneStand["school"]>("keep-pure", "keep-pure", "let-it-mix"),
      harm: fc.constantFrom<SceneStand["harm"]>("none", "bitter"),
      limit: fc.constantFrom(0.002, 0.01, 0.05),
    })
    .map(({ x, y, turn, later, ...more }) =>
      stand(id, { ...more, bed: bed(id, x, { y, turn }), sowing: { sown: addDays("2027-05-01", later) } }),
    );

const anySource = (id: number) =>
  fc
    .record({
      species,
      plants: fc.integer({ min: 1, max: 20_000 }),
      bearing: metres(0, 360),
      far: metres(12, 900),
      side: fc.oneof(fc.constant(0), metres(1, 40)),
      presence: metres(0.05, 1),
      agreed: fc.boolean(),
      harm: fc.constantFrom<SceneSource["harm"]>("none", "bitter", "wild"),
      later: day(-20, 30),
      lasts: day(3, 40),
      doubt: day(0, 15),
    })
    .map(({ bearing, far, side, later, lasts, doubt, ...more }) => {
      const middle = atBearing({ x: 44, y: 2 }, bearing, far + side);
      const start = addDays("2027-06-25", later);
      const end = addDays(start, lasts);
      return source(id, 0, {
        ...more,
        outline:
          side === 0
            ? [middle]
            : cornersOf({ x: middle.x - side / 2, y: middle.y - side / 2, width: side, length: side, turn: 0 }),
        male: { start, end, earliest: addDays(start, -doubt), latest: addDays(end, doubt) },
      });
    });

const anyBarrier = (id: number) =>
  fc
    .record({
      a: fc.record({ x: metres(-300, 300), y: metres(-300, 300) }),
      b: fc.record({ x: metres(-300, 300), y: metres(-300, 300) }),
      factor: metres(0.05, 0.95),
    })
    .map(({ a, b, factor }): Barrier => ({ id: String(id), name: `barrier ${id}`, path: [a, b], factor }));

/** A garden by chance, its first stand open and asked about, with a source at least that has something to do with it. */
const anyScene = fc
  .record({
    species,
    plants: fc.integer({ min: 2, max: 120 }),
    spacing: metres(0.1, 0.8),
    turn: metres(0, 180),
    limit: fc.constantFrom(0.002, 0.01, 0.05),
    second: anyStand(2),
    third: anyStand(3),
    one: anySource(1),
    two: anySource(2),
    barriers: fc.tuple(anyBarrier(1), anyBarrier(2)),
    windFrom: fc.oneof(fc.constant(null), metres(0, 359)),
  })
  .map(({ species, plants, spacing, turn, limit, second, third, one, two, barriers, windFrom }) =>
    scene([stand(1, { species, plants, spacing, limit, bed: bed(1, 40, { turn }) }), second, third], {
      sources: [one, two],
      barriers,
      windFrom,
    }),
  );

const told = (of: Scene) => arrivalAt(of, of.stands[0]!);
const RUNS = { numRuns: 100 };
const TINY = 1e-9;

/** Whether neither the likely share, nor either end of its range, nor the chance that it is too much is more. */
function neverMore(next: Scene, now: Scene) {
  const [before, then] = [told(now), told(next)];
  for (const end of ["low", "likely", "high", "chanceOver"] as const)
    expect(then[end], end).toBeLessThanOrEqual(before[end] * (1 + TINY) + TINY);
}

const withSource = (of: Scene, more: Partial<SceneSource>): Scene => ({
  ...of,
  sources: of.sources.map((one, i) => (i === 0 ? { ...one, ...more } : one)),
});
const withFirst = (of: Scene, more: Partial<SceneStand>): Scene => ({
  ...of,
  stands: of.stands.map((one, i) => (i === 0 ? { ...one, ...more } : one)),
});
const moved = (by: Point) => (p: Point) => ({ x: p.x + by.x, y: p.y + by.y });

describe("in any garden", () => {
  test("the range holds the likely share, the sources sum to it, and the chance agrees with the range", () => {
    fc.assert(
      fc.property(anyScene, (of) => {
        const { low, likely, high, chanceOver, bySource } = told(of);
        const { limit } = of.stands[0]!;
        expect(low).toBeGreaterThanOrEqual(0);
        expect(low).toBeLessThanOrEqual(likely);
        expect(likely).toBeLessThanOrEqual(high);
        expect(high).toBeLessThanOrEqual(of.stands[0]!.species.outcrossing.high);
        const sum = bySource.reduce((all, one) => all + one.likely, 0);
        const alone = likelyShare(of, of.stands[0]!, airOver(of), newWays());
        expect(Math.abs(sum - alone)).toBeLessThan(1e-9);
        // One draw of two hundred lies between an end of the range and the draw beside it.
        if (limit > high) expect(chanceOver).toBeLessThanOrEqual(0.055);
        if (limit < low) expect(chanceOver).toBeGreaterThanOrEqual(0.945);
      }),
      RUNS,
    );
  });

  test("a source farther off, on the same bearing and behind as much, never brings more", () => {
    fc.assert(
      fc.property(anyScene, metres(1, 500), (of, by) => {
        // Moved behind a hedge, or out from behind one, is another way: barriers are left out here.
        const free = { ...of, barriers: [] };
        const to = cornersOf(free.stands[0]!.bed);
        const from = free.sources[0]!.outline;
        // A field around the bed comes nearer with some of its plants as it is moved.
        fc.pre(gap(from, to) > 12);
        const bearing = bearingTo(middleOf(to), middleOf(from));
        const outline = from.map(moved(atBearing({ x: 0, y: 0 }, bearing, by)));
        neverMore(withSource(free, { outline }), free);
      }),
      RUNS,
    );
  });

  test("a source with fewer plants, less sure, agreed with, or not there at all never brings more", () => {
    fc.assert(
      fc.property(anyScene, metres(0, 1), (of, share) => {
        const first = of.sources[0]!;
        neverMore(withSource(of, { plants: Math.max(1, Math.floor(first.plants * share)) }), of);
        neverMore(withSource(of, { presence: first.presence * share }), of);
        neverMore(withSource(of, { agreed: true }), withSource(of, { agreed: false }));
        // The others keep their luck: it goes by their place in the list.
        neverMore({ ...of, sources: of.sources.slice(0, -1) }, of);
      }),
      RUNS,
    );
  });

  test("one more barrier never lets more through", () => {
    fc.assert(
      fc.property(anyScene, anyBarrier(3), (of, barrier) => {
        // Between the stand and its own kin a barrier holds back its own pollen: lines of their own here.
        const apart = { ...of, stands: of.stands.map((one, i) => ({ ...one, lineId: String(i + 1) })) };
        neverMore({ ...apart, barriers: [...apart.barriers, barrier] }, apart);
      }),
      RUNS,
    );
  });

  test("a cover never lets more in", () => {
    fc.assert(
      fc.property(anyScene, fc.constantFrom<SceneStand["cover"]>("bags", "cage"), (of, cover) => {
        neverMore(withFirst(of, { flowers: "covered", cover }), of);
      }),
      RUNS,
    );
  });

  test("flowers that open after a source's never meet more of it the later they are", () => {
    fc.assert(
      fc.property(anyScene, day(0, 30), day(1, 20), (of, from, by) => {
        const one = of.stands[0]!;
        // Before, the falling half of the source's days would come into the middle of the stand's.
        const window = (later: number): SceneSource["male"] => {
          const end = addDays(one.window.female.start, 10 - later);
          const start = addDays(end, -25);
          return { start, end, earliest: addDays(start, -3), latest: addDays(end, 3) };
        };
        const alone = { ...of, stands: [one], sources: of.sources.slice(0, 1) };
        const [now, then] = [
          told(withSource(alone, { male: window(from) })),
          told(withSource(alone, { male: window(from + by) })),
        ];
        expect(then.likely).toBeLessThanOrEqual(now.likely * (1 + TINY) + TINY);
        expect(then.high).toBeLessThanOrEqual(now.high * (1 + TINY) + TINY);
      }),
      RUNS,
    );
  });

  test("turned round as a whole, wind and all, or written down in another order, it is the same garden", () => {
    fc.assert(
      fc.property(anyScene, metres(0, 360), (of, by) => {
        const about = { x: 10, y: -20 };
        const turn = (p: Point) => {
          const [sin, cos] = [Math.sin((by * Math.PI) / 180), Math.cos((by * Math.PI) / 180)];
          const [x, y] = [p.x - about.x, p.y - about.y];
          return { x: about.x + x * cos + y * sin, y: about.y - x * sin + y * cos };
        };
        const turned: Scene = {
          ...of,
          stands: of.stands.map((one) => {
            const middle = turn(middleOf(cornersOf(one.bed)));
            const { width, length } = one.bed;
            const corner = { x: middle.x - width / 2, y: middle.y - length / 2 };
            return { ...one, bed: { ...one.bed, ...corner, turn: one.bed.turn + by } };
          }),
          sources: of.sources.map((one) => ({ ...one, outline: one.outline.map(turn) })),
          barriers: of.barriers.map((one) => ({ ...one, path: one.path.map(turn) })),
          windFrom: of.windFrom === null ? null : (of.windFrom + by) % 360,
        };
        const [now, then] = [told(of), told(turned)];
        for (const end of ["low", "likely", "high"] as const) expect(then[end]).toBeCloseTo(now[end], 6);
        const other = arrivalAt({ ...of, barriers: [...of.barriers].reverse() }, of.stands[0]!);
        expect(other.likely).toBeCloseTo(now.likely, 12);
      }),
      RUNS,
    );
  });

  test("an arrival hangs on nothing but its grounds, and on ways that were kept as on ways reckoned anew", () => {
    const parts = fc.record({ third: fc.boolean(), sources: fc.boolean(), apart: fc.boolean(), kernels: fc.boolean() });
    let same = 0;
    fc.assert(
      fc.property(anyScene, anyScene, parts, (of, other, { third, sources, apart, kernels }) => {
        const unlike = { ...SPECIES, id: "unlike", crossingGroup: "unlike" };
        const with3 = (last: SceneStand) => [
          ...of.stands.slice(0, 2),
          // What can't cross with the first stand is none of its grounds.
          apart ? { ...last, species: unlike } : last,
        ];
        const now: Scene = { ...of, stands: with3(of.stands[2]!) };
        const next: Scene = {
          ...of,
          stands: with3(third ? other.stands[2]! : of.stands[2]!),
          sources: sources ? other.sources : of.sources,
          kernels: kernels ? { ...of.kernels, [of.stands[0]!.species.vector]: other.kernels.wind } : of.kernels,
          today: "2031-01-01",
        };
        const grounds = [now, next].map((one) => JSON.stringify(groundsOf(one, one.stands[0]!, airOver(one))));
        const ways = newWays();
        arrivalAt(now, now.stands[0]!, airOver(now), ways);
        const arrival = arrivalAt(next, next.stands[0]!, airOver(next), ways);
        expect(arrival).toEqual(told(next));
        if (grounds[0] !== grounds[1]) return;
        same++;
        expect(arrival).toEqual(told(now));
      }),
      RUNS,
    );
    expect(same).toBeGreaterThan(5);
  });
});
