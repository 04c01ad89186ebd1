import { afterAll, beforeAll, expect, test } from "vitest";
import { Refusal } from "@/db/ops";
import { lived } from "@/views/tests/lived";
import { judgeOf } from "../command";
import { garden as placeOf } from "../garden/queries";

let garden: ReturnType<typeof lived>;
beforeAll(() => {
  garden = lived();
});
afterAll(() => garden.close());

/** The n-th row of a table with some columns changed, and what its book says; `id` stands for the row's own. */
type Judged = [row: string, change: Record<string, unknown>, says: string | null, latest?: string];

const AHEAD = "That day is still to come.";
const OUTLINES = {
  dot: JSON.stringify([[3, 3]]),
  twice: JSON.stringify([
    [3, 3],
    [3, 3],
  ]),
  line: JSON.stringify([
    [0, 0],
    [9, 0],
  ]),
  loop: JSON.stringify([
    [0, 0],
    [2, 2],
    [2, 0],
    [0, 2],
  ]),
  field: JSON.stringify([
    [0, 0],
    [2, 0],
    [2, 2],
    [0, 2],
  ]),
};

const JUDGED: Judged[] = [
  // A family sown on 2 May from ten seeds, of which six came up and five are planted and numbered.
  ["stand 4", { cameUp: 10 }, null],
  ["stand 4", { cameUp: 11 }, "11 can't come up from 10 seeds."],
  ["stand 4", { cameUp: 5 }, null],
  ["stand 4", { cameUp: 4 }, "5 can't be planted: only 4 came up."],
  ["stand 4", { cameUp: null, plants: 10 }, null],
  ["stand 4", { cameUp: null, plants: 11 }, "11 plants can't stand from 10 seeds."],
  ["stand 4", { sowedSeeds: null }, "Say how many seeds were sown."],
  ["stand 4", { cameUp: null, sowedSeeds: null }, "Say how many seeds of the lot are sown."],
  ["stand 4", { plants: 4 }, "5 plants carry numbers already."],
  ["stand 4", { plants: 4, family: 0 }, null],
  ["stand 4", { plants: 2000, cameUp: null, sowedSeeds: null, lotId: null }, null],
  ["stand 4", { plants: 2001, cameUp: null, sowedSeeds: null, lotId: null }, "At most 2000 plants of one family"],
  ["stand 4", { plantedOut: "2028-05-02" }, null],
  ["stand 4", { plantedOut: "2028-05-01" }, "It can't be planted out before it was sown."],
  ["stand 4", { cutBack: "2028-05-03" }, null],
  ["stand 4", { cutBack: "2028-05-02" }, "It is to be cut back on 2028-05-02; it must be sown before that."],
  ["stand 4", { overwinter: "left" }, "This species flowers in its first year; no winter stands between."],
  ["stand 3", { overwinter: "lifted" }, null],
  ["stand 4", { firstFlower: "2028-05-02" }, "A stand can't flower before it was sown."],
  ["stand 4", { firstFlower: "2028-05-03" }, null],
  ["stand 4", { firstFlower: "2028-07-09" }, null],
  ["stand 4", { firstFlower: "2028-07-10" }, AHEAD],
  // Melons flower within 75 days; twice that is 150.
  ["stand 4", { firstFlower: "2028-09-29" }, null, "2028-12-31"],
  ["stand 4", { firstFlower: "2028-09-30" }, "That is more than twice the usual wait from sowing.", "2028-12-31"],
  ["stand 4", { rowCount: 5 }, null],
  ["stand 4", { rowCount: 6 }, "5 plants can't stand in 6 rows."],
  ["stand 4", { saveFrom: 5 }, null],
  ["stand 4", { saveFrom: 6 }, "Only 5 plants stand there."],
  ["stand 3", { saveFrom: 1, plants: null }, "Only 0 plants stand there."],
  ["stand 4", { sown: "2027-08-25" }, null],
  ["stand 4", { sown: "2027-08-24" }, "Lot K27-001-4 was gathered on 2027-08-25; it can't be sown before."],
  ["stand 4", { lineId: "line 1" }, "Lot K27-001-4 is seed of Lantern, not of this line."],
  // Forty seeds of a stand sown on 24 April 2027.
  ["lot 1", { gathered: "2027-04-25" }, null],
  ["lot 1", { gathered: "2027-04-24" }, "Seed can't be gathered before the stand has flowered."],
  ["lot 1", { gathered: "2028-07-10" }, AHEAD],
  ["lot 1", { seeds: null }, null],
  ["lot 1", { seeds: null, fruits: null }, "Count the seeds or weigh them."],
  ["lot 1", { seeds: null, mass: 3 }, null],
  ["lot 1", { motherStandId: "stand 5" }, "Seed can't be gathered before the stand has flowered."],
  // A plant that is marked out for being bitter.
  ["plant 4", { reason: "" }, "Say why it goes out"],
  ["plant 4", { reason: "", mark: "watch" }, null],
  ["plant 4", { removedOn: "2028-07-09" }, null],
  ["plant 4", { removedOn: "2028-07-10" }, AHEAD],
  ["plant 4", { removedOn: "2028-07-09", mark: "keep" }, "Plant 4 was taken out on 2028-07-09."],
  // A cross of which flowers were pollinated, and one with none.
  ["cross 1", { motherPlantId: "plant 1" }, "That plant does not stand there."],
  ["cross 3", { fatherPlantId: "plant 6" }, null],
  ["cross 3", { fatherPlantId: "plant 8" }, "That plant does not stand there."],
  ["cross 1", { setHigh: 0.3 }, null],
  ["cross 1", { setHigh: 0.29 }, "The highest rate can't be under the lowest one."],
  ["cross 1", { kind: "self" }, "Flowers were pollinated already"],
  ["cross 3", { kind: "self" }, null],
  ["cross 3", { method: "no way" }, "That method does not serve this cross."],
  ["cross 1", { storedOn: "2028-07-09" }, "Say how the pollen is kept."],
  ["cross 1", { storedOn: "2028-07-09", storage: "fridge" }, null],
  ["cross 1", { storedOn: "2028-07-10", storage: "fridge" }, AHEAD],
  // A harvested flower: covered on the 1st, pollinated on the 2nd, uncovered and looked at on the 9th.
  ["flower 1", { gatheredOn: "2027-07-01" }, null],
  ["flower 1", { checkedOn: null }, "a flower that is harvested needs the day “checked”"],
  ["flower 1", { lastPass: null }, "a flower that is harvested needs the day “lastPass”"],
  ["flower 1", { pollinatedOn: "2027-06-30" }, "“pollinated” lies before “covered”"],
  ["flower 1", { uncoveredOn: "2027-07-01" }, "“uncovered” lies before “lastPass”"],
  ["flower 1", { state: "covered" }, "a flower that is covered can't have the day “pollinated”"],
  ["flower 1", { state: "uncovered" }, "a flower that is uncovered can't have the day “checked”"],
  ["flower 1", { state: "lost" }, "“lostWhy” goes with the state lost, and only with it"],
  ["flower 1", { lostWhy: "slugs" }, "“lostWhy” goes with the state lost, and only with it"],
  ["flower 1", { state: "lost", lostWhy: "slugs" }, null],
  ["flower 1", { checkedOn: "2028-07-10" }, AHEAD],
  ["flower 1", { coveredOn: "2027-04-24" }, null],
  ["flower 1", { coveredOn: "2027-04-23" }, "The mother was sown on 2027-04-24; she had no flowers that day."],
  ["flower 1", { plantId: "plant 1" }, "That plant does not stand in S27-001-1."],
  ["flower 4", { plantId: "plant 1" }, null],
  ["flower 6", { fault: null }, "an unusable flower needs its “fault”"],
  // The rest.
  ["garden 1", { lastFrost: null }, "Give both frost days, or neither where there is no frost."],
  ["garden 1", { firstFrost: null }, "Give both frost days, or neither where there is no frost."],
  ["garden 1", { lastFrost: null, firstFrost: null }, null],
  ["barrier 1", { path: OUTLINES.twice }, "A barrier needs two different points."],
  ["barrier 1", { path: OUTLINES.line }, null],
  ["source 1", { outline: OUTLINES.dot }, null],
  ["source 1", { outline: OUTLINES.field }, null],
  ["source 1", { outline: OUTLINES.line }, "The outline encloses no ground."],
  ["source 1", { outline: OUTLINES.loop }, "The outline crosses itself."],
  ["source 1", { flowersTo: null }, "Give both days, or neither."],
  ["source 1", { flowersTo: null, flowersFrom: null }, null],
  ["line 1", { species: "pepper" }, "Stands and seed are kept under this line's species; it can't change."],
  ["line 7", { species: "pepper" }, null],
  ["line 1", { motherLineId: "line 1" }, "A line can't be its own parent."],
  ["line 1", { fatherLineId: "line 1" }, "A line can't be its own parent."],
  ["line 1", { fatherLineId: "line 2" }, null],
  ["yardstick 1", { wanted: "category" }, "For this kind, wanted is one of: high, low, target, range, none."],
  ["yardstick 1", { wanted: "target" }, "Say the target's value."],
  ["yardstick 1", { wanted: "target", target: 0 }, null],
  ["yardstick 1", { kind: "scale" }, "Describe both ends of the scale"],
  ["yardstick 1", { kind: "scale", highEnd: "b" }, "Describe both ends of the scale"],
  ["yardstick 1", { kind: "scale", lowEnd: "a", highEnd: "b" }, null],
  ["yardstick 1", { name: "Flesh" }, "This line has a yardstick of that name already."],
  ["yardstick 2", { categories: '["orange"]' }, "Give at least two words"],
  ["yardstick 2", { targetWord: "red" }, "The wanted word must be one of the words."],
  ["yardstick 3", { wanted: "yes" }, null],
  ["task 2", { doneOn: "2028-07-09" }, null],
  ["task 2", { doneOn: "2028-07-10" }, AHEAD],
];

/** `line 1` as the id of the first line. */
function idOf(name: unknown): unknown {
  const [, table, place] = /^([a-z]+) (\d+)$/.exec(String(name)) ?? [];
  return table ? garden.db.prepare(`SELECT id FROM "${table}" ORDER BY rowid`).pluck().all()[Number(place) - 1] : name;
}

test.each(JUDGED)("%s with %o: %s", (row, change, says, latest = "2028-07-09") => {
  const { db } = garden;
  const [table] = row.split(" ") as [string];
  const before = db.prepare(`SELECT * FROM "${table}" WHERE id = ?`).get(idOf(row)) as object;
  const next = Object.fromEntries(
    Object.entries({ ...before, ...change }).map(([column, value]) => [column, column in change ? idOf(value) : value]),
  );
  const judged = () => judgeOf({ db, garden: placeOf(db), today: "2028-07-09", latest }, table, next, before);
  if (says === null) return expect(judged()).toBeUndefined();
  expect(judged).toThrow(Refusal);
  expect(judged).toThrow(says);
});
