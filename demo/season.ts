import { v7 } from "uuid";
import { addDays, type Day } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { perform } from "@/records/command";
import { COMMANDS } from "@/records/commands";
import type { Flower } from "@/records/flower/flower";
import type { Chance } from "./random";

/** The n-th press of the demo, on a day: the same on every machine. */
const pressId = (day: Day, n: number): Id =>
  v7({ msecs: Date.parse(`${day}T08:00:00Z`), seq: n, random: new Uint8Array(16) });

/** Seedlings that a tray, and pots that a crate, has room for. */
const TRAY = 40;
const CRATE = 18;

/** The demo's grower: moves through the years and records with the same commands as the screens. */
export class Grower {
  day: Day = "2021-01-01";
  private presses = 0;
  constructor(
    readonly db: Db,
    readonly luck: Chance,
  ) {}

  /** Time passes: what is recorded from now on is pressed on that day. */
  on(day: Day): void {
    this.day = day;
  }

  record(name: string, input: object): { id: Id; ids: Id[] } {
    const { day } = this;
    const press = { id: pressId(day, ++this.presses), day, at: `${day}T08:00:00.000Z` };
    const outcome = perform(this.db, COMMANDS.get(name)!, input, press);
    if (!outcome.ok) throw new Error(`Demo, ${day}, ${name}: ${outcome.message} ${JSON.stringify(outcome.fields)}`);
    return { id: outcome.id ?? outcome.ids?.[0] ?? "", ids: outcome.ids ?? [] };
  }

  change(stand: Id, patch: object): void {
    const version = this.db.prepare("SELECT version FROM stand WHERE id = ?").pluck().get(stand) as Id;
    this.record("stand.change", { id: stand, version, ...patch });
  }

  /** Sows a family in trays of its own, pricks it out into crates and plants it out. Returns stand and plant ids. */
  family(lineId: Id, lotId: Id | undefined, bedId: Id, sown: Day, seeds: number, up: number, planted: number) {
    this.on(sown);
    const stand = this.record("stand.add", {
      lineId,
      lotId,
      bedId,
      sown,
      sowedSeeds: seeds,
      family: 1,
      sownIn: "tray",
      trays: Math.ceil(seeds / TRAY),
    }).id;
    this.on(addDays(sown, 24));
    const potted = Math.round((up + planted) / 2);
    const crates = Math.max(1, Math.ceil(potted / CRATE));
    const upOn = addDays(sown, 7 + (up % 4));
    this.change(stand, { cameUp: up, upOn, potted, pottedOn: addDays(sown, 16), crates, plants: planted });
    const plants = this.db.prepare("SELECT id FROM plant WHERE standId = ? ORDER BY number").pluck().all(stand) as Id[];
    return { stand, plants };
  }

  score(plantId: Id, yardstickId: Id, value: string | number): void {
    this.record("score.set", { plantId, yardstickId, value: String(value) });
  }

  flowers(crossId: Id): Flower[] {
    return this.db.prepare("SELECT * FROM flower WHERE crossId = ? ORDER BY number").all(crossId) as Flower[];
  }

  /** Covers flowers on an evening and pollinates them at dawn; a few are found open or limp. */
  pollinate(crossId: Id, evening: Day, flowers: number): void {
    this.on(evening);
    const { ids } = this.record("flower.cover", { crossId, flowers });
    this.on(addDays(evening, 1));
    const first = this.flowers(crossId).length - flowers;
    const results = ids.map((id, i) => {
      const number = first + i + 1;
      const fault = this.luck.next();
      // Mostly the right ones; which are early or late is no matter of luck, so that the years stay as they are.
      const bud = number % 9 === 0 ? "early" : number % 11 === 0 ? "late" : "right";
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
  look(crossId: Id, day: Day, setRate: number): void {
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
  fulfil(crossId: Id, first: Day, wanted: number, ripeAfter: number, seedsEach: number): Id {
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
