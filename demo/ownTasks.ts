import { addDays } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import type { Grower } from "./season";

/** What the grower wrote down for himself about that day, and whom he means to ask. */
export function ownTasks(grower: Grower, day: string): void {
  grower.on(addDays(day, -6));
  grower.record("task.add", { title: "Empty the slug traps", due: addDays(day, -1), every: 3 });
  grower.record("task.add", { title: "Loosen the ties on the peppers", due: addDays(day, 4) });
  grower.record("task.add", { title: "Sieve leaf mould for sowing", due: addDays(day, 75), note: "two barrows" });
  const id = (table: string, column: string, value: string) =>
    grower.db.prepare(`SELECT id FROM "${table}" WHERE ${column} = ?`).pluck().get(value) as Id;
  const note = (words: string, of: object) => grower.record("note.add", { words, ...of });
  note("Two weeks ahead of every other bed in the cold spring: the wall behind it.", { bedId: id("bed", "name", "A") });
  note("Neighbours ask for it by name now. Keep the reserve at thirty seeds.", {
    lineId: id("line", "name", "Duskwing"),
  });
  note("Try it once more under glass before it is given up.", { lineId: id("line", "name", "Brindle Lamp") });
  const sourceId = id("source", "name", "the neighbour's scarlet beans");
  grower.record("stand.remedy", { season: 2027, changes: [{ kind: "agree", sourceId }] });
}
