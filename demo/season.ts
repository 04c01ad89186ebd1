import { addDays, type Day } from "@/core/calendar/day";
import type { Db } from "@/db/open";
import { perform } from "@/records/command";
import { COMMANDS } from "@/records/commands";
import type { Flower } from "@/records/cross/queries";
import type { Chance } from "./random";

/** What the form of a stand holds. */
const FIELDS = [
  "version",
  "bedId",
  "sown",
  "sowedSeeds",
  "cameUp",
  "plants",
  "firstFlower",
  "flowers",
  "seedWanted",
  "cover",
  "removeEvery",
  "saveFrom",
  "plantedOut",
  "overwinter",
  "spacing",
  "rowCount",
];

/** The demo's grower: moves through the years and records with the same commands as the screens. */
export class Grower {
  day: Day = "2021-01-01";
  constructor(
    readonly db: Db,
    readonly luck: Chance,
  ) {}

  /** Time passes; only the demo moves the as-of day without a journal entry. */
  on(day: Day): void {
    this.day = day;
    this.db.prepare("UPDATE garden SET asOf = ? WHERE id = 1").run(day);
  }

  record(name: string, input: object): { id: number; ids: number[] } {
    const outcome = perform(this.db, COMMANDS.get(name)!, input, null);
    if (!outcome.ok)
      throw new Error(`Demo, ${this.day}, ${name}: ${outcome.message} ${JSON.stringify(outcome.fields)}`);
    return { id: outcome.id ?? outcome.ids?.[0] ?? 0, ids: outcome.ids ?? [] };
  }

  change(stand: number, patch: object): void {
    const row = this.db.prepare("SELECT * FROM stand WHERE id = ?").get(stand) as Record<string, unknown>;
    const { version, ...known } = Object.fromEntries(FIELDS.map((name) => [name, row[name]]));
    const merged = Object.fromEntries(Object.entries({ ...known, ...patch }).filter(([, value]) => value !== null));
    this.record("stand.change", { id: stand, version, ...merged });
  }

  /** Sows a family, counts it and plants it out. Returns stand and plant ids. */
  family(
    lineId: number,
    lotId: number | undefined,
    bedId: number,
    sown: Day,
    seeds: number,
    up: number,
    planted: number,
  ) {
    this.on(sown);
    const stand = this.record("stand.add", { lineId, lotId, bedId, sown, sowedSeeds: seeds, family: true }).id;
    this.on(addDays(sown, 24));
    this.change(stand, { cameUp: up, plants: planted });
    const plants = this.db
      .prepare("SELECT id FROM plant WHERE standId = ? ORDER BY number")
      .pluck()
      .all(stand) as number[];
    return { stand, plants };
  }

  score(plantId: number, yardstickId: number, value: string | number): void {
    this.record("score.set", { plantId, yardstickId, value: String(value) });
  }

  flowers(crossId: number): Flower[] {
    return this.db.prepare("SELECT * FROM flower WHERE crossId = ? ORDER BY number").all(crossId) as Flower[];
  }

  /** Covers flowers on an evening and pollinates them at dawn; a few are found open or limp. */
  pollinate(crossId: number, evening: Day, flowers: number): void {
    this.on(evening);
    const { ids } = this.record("flower.cover", { crossId, flowers });
    this.on(addDays(evening, 1));
    const results = ids.map((id) => {
      const fault = this.luck.next();
      // Mostly the right ones; which are early or late is no matter of luck, so that the years stay as they are.
      const bud = id % 9 === 0 ? "early" : id % 11 === 0 ? "late" : "right";
      return {
        id,
        bud,
        result: fault < 0.06 ? "found-open" : fault < 0.1 ? "limp" : fault < 0.12 ? "torn-bag" : "pollinated",
      };
    });
    // From soon after five to soon after nine; later flowers set less, which the analysis is to find again.
    const minutes = 5 * 60 + 10 + Math.floor(this.luck.next() * 240);
    const at = `${String(Math.floor(minutes / 60)).padStart(2, "0")}:${String(minutes % 60).padStart(2, "0")}`;
    this.record("flower.record", { crossId, at, males: this.luck.yes(0.5) ? 2 : 3, results });
  }

  /** Looks at all waiting flowers of a week ago; the share that set falls with the hour at which they were done. */
  look(crossId: number, day: Day, setRate: number): void {
    this.on(day);
    const waiting = this.flowers(crossId).filter((f) => f.state === "pollinated" && addDays(f.pollinatedOn!, 7) <= day);
    if (waiting.length === 0) return;
    const results = waiting.map((f) => {
      const late = Number(f.pollinatedAt!.slice(0, 2)) >= 7;
      return { id: f.id, result: this.luck.yes(setRate * (late ? 0.5 : 1.5)) ? "set" : "failed" };
    });
    this.record("flower.record", { crossId, results });
  }

  /** A whole cross from its first evening to its lot: flowers every third evening until enough have set. */
  fulfil(crossId: number, first: Day, wanted: number, ripeAfter: number, seedsEach: number): number {
    const setRate = 0.42;
    let evening = first;
    for (let round = 0; round < 9 && this.flowers(crossId).filter((f) => f.state === "set").length < wanted; round++) {
      this.pollinate(crossId, evening, 5);
      this.look(crossId, addDays(evening, 9), setRate);
      evening = addDays(evening, 10);
    }
    const set = this.flowers(crossId).filter((f) => f.state === "set");
    if (set.length === 0) throw new Error(`Demo: nothing set of cross ${crossId}`);
    this.on(addDays(set.at(-1)!.pollinatedOn!, ripeAfter));
    const seeds = set.reduce((sum) => sum + Math.max(20, Math.round(this.luck.normal(seedsEach, seedsEach / 5))), 0);
    return this.record("cross.harvest", { crossId, fruits: set.length, seeds }).id;
  }
}
