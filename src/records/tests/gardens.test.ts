import fc from "fast-check";
import { expect, test } from "vitest";
import { addDays, type Day } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { seeded } from "@/core/numbers/chance";
import type { Act } from "@/core/work/work";
import { byBed, openWork, type StandWork } from "@/views/work";
import { CROPS, NORTH, SOUTH } from "./crops";
import { plot } from "./plot";

const PLACES = { north: NORTH, south: SOUTH };

/** What comes again while its time lasts. */
const AGAIN: ReadonlySet<Act> = new Set<Act>(["look-store", "flowers-off", "cage"]);

const anyGarden = fc.record({
  place: fc.constantFrom("north" as const, "south" as const),
  beds: fc.uniqueArray(
    fc.record({
      crop: fc.nat(CROPS.length - 1),
      /** Days after the first on which each row is sown. */
      rows: fc.array(fc.integer({ min: 0, max: 12 }), { minLength: 1, maxLength: 4 }),
    }),
    { minLength: 1, maxLength: 2, selector: ({ crop }) => crop },
  ),
  grower: fc.nat(1e6),
});

test("any beds with rows, by any grower who puts off and leaves a row for later: nothing twice, nothing missed, seed of all", () => {
  fc.assert(
    fc.property(anyGarden, ({ place, beds, grower }) => {
      const garden = plot();
      const chance = seeded(grower);
      garden.done("garden.change", { version: 1, name: "Plot", units: "metric", ...PLACES[place] });
      const frost: Day = `2027-${PLACES[place].lastFrost}`;
      const from = addDays(frost, -100);
      garden.on(from);
      const stands = new Set<Id>();
      for (const [i, { crop, rows }] of beds.entries()) {
        const [species, before, overwinter] = CROPS[crop]!;
        const bedId = garden.done("bed.add", { name: `bed ${i}`, x: 60 * i, y: 40, width: 10, length: 4 }).id;
        const lineId = garden.line(`Own ${species}`, species);
        for (const later of rows) {
          const sown = addDays(frost, later - before);
          stands.add(
            garden.done("stand.add", { lineId, bedId, sown, plants: 8, ...(overwinter && { overwinter }) }).id,
          );
        }
      }
      const done = new Set<string>();
      const putOff = new Map<string, Day>();
      const kept = new Set<Id>();
      const said = new Set<string>();
      const keyOf = (work: StandWork) => `${work.stand.id} ${work.act}`;
      const finish = (act: Act, works: StandWork[], day: Day) => {
        for (const work of works) {
          const key = keyOf(work);
          expect(done.has(key) && !AGAIN.has(act) ? `${day}: ${act} again` : "").toBe("");
          done.add(key);
          if (act !== "keep") continue;
          kept.add(work.stand.id);
          garden.done("lot.save", { standId: work.stand.id, kind: "open", gathered: day, seeds: 100 });
        }
        const told = works.map(({ stand, count }) => ({ standId: stand.id, counted: count && Math.max(1, count - 1) }));
        if (act !== "keep") garden.done("deed.done-together", { act, works: told });
      };
      let day = from;
      for (let n = 0; n < 600 && kept.size < stands.size; n++) {
        garden.on(day);
        const works = openWork(garden.sky());
        // Nothing is missed that was not due before: who put it off may see a plant flower sooner than was foreseen.
        const missed = works.filter((work) => work.standing === "missed" && !said.has(keyOf(work)));
        expect(missed.map((work) => `${day}: ${work.act}`)).toEqual([]);
        const due = works.filter(({ standing }) => standing === "due");
        for (const work of due) said.add(keyOf(work));
        for (const work of due)
          expect([day, work.act, (putOff.get(keyOf(work)) ?? day) <= day]).toEqual([day, work.act, true]);
        const groups = byBed(due);
        // Each piece stands in one row, with those of its act and bed.
        expect(groups.flatMap(({ works: own }) => own.map(keyOf)).sort()).toEqual(due.map(keyOf).sort());
        for (const group of groups) {
          const [{ act, stand }] = group.works as [StandWork, ...StandWork[]];
          expect(group.works.every((work) => work.act === act && work.stand.bedName === stand.bedName)).toBe(true);
          const until = addDays(day, 3);
          const draw = chance();
          if (draw < 0.2 && (group.last === null || until <= group.last)) {
            garden.done("deed.put-off", { standIds: group.works.map((work) => work.stand.id), act, until });
            for (const work of group.works) putOff.set(keyOf(work), until);
          } else if (draw < 0.4 && group.works.length > 1 && (group.last === null || day < group.last)) {
            const left = group.works.at(-1)!;
            finish(act, group.works.slice(0, -1), day);
            // What was done tells of the others: some may be due that were not before.
            const open = openWork(garden.sky()).filter(({ standing }) => standing === "due");
            const keys = new Set(open.map(keyOf));
            expect(group.works.filter((work) => keys.has(keyOf(work))).map(keyOf)).toEqual([keyOf(left)]);
          } else finish(act, group.works, day);
        }
        const next = works
          .filter(({ standing }) => standing !== "due")
          .map(({ best }) => best)
          .sort()[0];
        const tomorrow = addDays(day, 1);
        const far = addDays(day, 7);
        day = due.length > 0 || !next || next <= tomorrow ? tomorrow : next < far ? next : far;
      }
      garden.close();
      expect(kept.size).toBe(stands.size);
    }),
    {
      numRuns: 12,
      // Whoever of a kind flowers first can change once a first flower was seen.
      examples: [[{ place: "north", beds: [{ crop: 2, rows: [0, 0] }], grower: 331918 }]],
    },
  );
});
