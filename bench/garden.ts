import { SPECIES } from "@/catalogue/catalogue";
import { addDays } from "@/core/calendar/day";
import { makeCode } from "@/core/custody/code";
import { newId } from "@/db/ids";
import { openDb } from "@/db/open";
import { appendOp } from "@/db/ops";
import { GARDEN_ID } from "@/records/garden/garden";

const LINES = 300;
/** Of each season. */
const FAMILIES = 100;
const PLANTS = 20;
const SCORES = 20_000;
const CROSSES = 60;
const FLOWERS = 5_000;
const LOTS = 4_000;

/** A flower of a busy season: most are over, some wait to be looked at, a few were covered last evening. */
function flowerOn(n: number): Record<string, string | number | null> {
  const day = `2027-06-${String(10 + (n % 20)).padStart(2, "0")}`;
  if (n > 80) return { state: "covered", coveredOn: "2027-07-08" };
  const done = {
    coveredOn: day,
    pollinatedOn: addDays(day, 1),
    pollinatedAt: `0${5 + (n % 4)}:${10 + (n % 50)}`,
    passes: 1,
    lastPass: addDays(day, 1),
    males: 1 + (n % 4),
  };
  if (n > 70)
    return {
      state: "pollinated",
      ...done,
      coveredOn: "2027-07-01",
      pollinatedOn: "2027-07-02",
      lastPass: "2027-07-02",
    };
  return { state: n % 3 ? "failed" : "set", ...done, checkedOn: addDays(day, 9) };
}

type Insert = (table: string, given: Record<string, string | number | null>) => string;

/** A large drawer: 4,000 more lots in three places, one of them measured for two years; one lot in four was tested; 12 on the table. */
function drawer(insert: Insert, lines: string[]): void {
  const stores = [
    { name: "tin", temperature: 10, humidity: 30 },
    { name: "shelf", temperature: 20, humidity: 55 },
    { name: "fridge", temperature: 5, humidity: 35 },
  ].map((store) => insert("store", store));
  for (let day = 0; day < 730; day++)
    insert("air", {
      storeId: stores[1]!,
      on: addDays("2025-07-08", day),
      temperature: 19 + (day % 7),
      humidity: 50 + (day % 12),
    });
  for (let i = 0; i < LOTS; i++) {
    const year = 2019 + (i % 8);
    const gathered = `${year}-09-1${i % 9}`;
    const lotId = insert("lot", {
      code: makeCode("lot", year, 4000 + i),
      lineId: lines[i % LINES]!,
      kind: "received",
      gathered,
      seeds: 40 + (i % 200),
      onTable: i < 12 ? 1 : 0,
    });
    insert("stay", { lotId, storeId: stores[i % 3]!, since: gathered });
    if (i % 4) continue;
    const on = `2026-02-1${i % 9}`;
    const testId = insert("test", { lotId, on: on < gathered ? "2027-02-10" : on, sown: 20, endedOn: "2027-03-20" });
    insert("testCount", { testId, on: "2027-03-20", up: 4 + (i % 17) });
  }
}

/** Writes seasons of a large garden straight into tables: 300 lines; of ten seasons 20,000 plants, 200,000 scores, 5,000 lots; 5,000 flowers in the last. */
export function fillLarge(path: string, seasons = 10): void {
  const db = openDb(path);
  db.pragma("synchronous = OFF");
  const op = newId();
  const insert: Insert = (table, given) => {
    const row = { id: newId(), version: op, ...given };
    db.prepare(
      `INSERT INTO "${table}" (${Object.keys(row)
        .map((k) => `"${k}"`)
        .join(",")}) VALUES (${Object.keys(row)
        .map(() => "?")
        .join(",")})`,
    ).run(...Object.values(row));
    return row.id as string;
  };
  db.transaction(() => {
    insert("garden", {
      id: GARDEN_ID,
      name: "Large",
      latitude: 48.6,
      longitude: 9.3,
      timezone: "Europe/Zurich",
      lastFrost: "05-20",
      firstFrost: "09-28",
      units: "metric",
      care: "usual",
      asOf: "2027-07-09",
    });
    const beds = Array.from({ length: 40 }, (_, i) =>
      insert("bed", { name: `bed ${i}`, x: (i % 8) * 14, y: Math.floor(i / 8) * 9, width: 10, length: 5 }),
    );
    const lines = Array.from({ length: LINES }, (_, i) =>
      insert("line", {
        code: makeCode("line", 2018, i + 1),
        name: `line ${i}`,
        species: SPECIES[i % SPECIES.length]!.id,
        school: i % 3 ? "keep-pure" : "cross-and-fix",
        status: "open-pollinated",
      }),
    );
    const marks = lines.map((lineId) =>
      Array.from({ length: 10 }, (_, i) =>
        insert("yardstick", { lineId, position: i, name: `mark ${i}`, kind: "number", wanted: "high", weight: 1 }),
      ),
    );
    const families = FAMILIES * seasons;
    let scores = 0;
    for (let i = 0; i < families; i++) {
      const season = 2028 - seasons + (i % seasons);
      const line = i % LINES;
      const sown = `${season}-05-0${1 + (i % 9)}`;
      const lot = insert("lot", {
        code: makeCode("lot", season, i + 1),
        lineId: lines[line]!,
        kind: "self",
        generation: 1 + (i % 8),
        gathered: `${season - 1}-09-10`,
        seeds: 100,
      });
      const stand = insert("stand", {
        code: makeCode("family", season, i + 1),
        lineId: lines[line]!,
        lotId: lot,
        bedId: beds[i % 40]!,
        season,
        generation: 1 + (i % 8),
        family: 1,
        sown,
        sowedSeeds: 30,
        cameUp: 25,
        plants: PLANTS,
      });
      for (let n = 1; n <= PLANTS; n++) {
        const plant = insert("plant", { standId: stand, number: n, mark: n % 7 ? "none" : "keep" });
        for (const mark of marks[line]!) {
          if (scores >= SCORES * seasons) break;
          insert("score", {
            plantId: plant,
            yardstickId: mark,
            number: ((i * 31 + n * 17 + scores) % 100) / 10,
            scoredOn: addDays(sown, 100),
          });
          scores++;
        }
      }
    }
    drawer(insert, lines);
    const stands = db.prepare("SELECT id, lineId FROM stand WHERE season = 2027").all() as {
      id: string;
      lineId: string;
    }[];
    for (let i = 0; i < CROSSES; i++) {
      const { id, lineId } = stands[i]!;
      const cross = insert("cross", {
        code: makeCode("cross", 2027, i + 1),
        kind: "intercross",
        season: 2027,
        lineId,
        generation: 2,
        motherStandId: id,
        fatherStandId: id,
        fruitsWanted: 5,
        setLow: 0.3,
        setHigh: 0.5,
        confidence: 0.9,
        plannedOn: "2027-06-20",
      });
      for (let n = 1; n <= FLOWERS / CROSSES; n++)
        insert("flower", {
          crossId: cross,
          number: n,
          ...flowerOn(n),
        });
    }
    for (let i = 1; i <= 20_000; i++)
      appendOp(
        db,
        {
          id: newId(),
          device: op,
          at: new Date(0).toISOString(),
          day: "2027-07-01",
          command: "score.set",
          input: {},
          undoes: null,
          summary: `score ${i}`,
          outcome: {},
        },
        [],
      );
  })();
  db.close();
}
