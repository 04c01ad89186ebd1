// Writes to a garden without end and says on each line what has been acknowledged; kill.mjs ends it without warning.
import { newId } from "@/db/ids";
import { openDb } from "@/db/open";
import { perform } from "@/records/command";
import { COMMANDS } from "@/records/commands";

const db = openDb(process.argv[2]!);
const does = (name: string, input: object) => {
  const outcome = perform(db, COMMANDS.get(name)!, input, { day: "2027-07-09" });
  if (!outcome.ok) throw new Error(outcome.message);
  if (outcome.entry) process.stdout.write(`${outcome.entry}\n`);
  return outcome.id!;
};

if (!db.prepare("SELECT 1 FROM garden").get())
  does("garden.begin", {
    name: "Tarnholt",
    latitude: 48.6,
    longitude: 9.3,
    timezone: "Europe/Zurich",
    lastFrost: "05-20",
    firstFrost: "09-28",
    units: "metric",
  });
process.stdout.write("ready\n");
const readings = (from: number) =>
  Array.from({ length: 300 }, (_, i) => `${new Date((from + i) * 86_400_000).toISOString().slice(0, 10)};1;2`);
for (let n = 0; ; n++) {
  const id = does("bed.add", { name: `bed ${newId()}`, x: n, y: 0, width: 1, length: 1 });
  const version = db.prepare("SELECT version FROM bed WHERE id = ?").pluck().get(id);
  does("bed.move", { id, version, x: n, y: 7 });
  // Every now and then a press that writes many rows.
  if (n % 4 === 3) does("climate.import", { text: ["date;min;max", ...readings(9000 + (n % 7) * 300)].join("\n") });
}
