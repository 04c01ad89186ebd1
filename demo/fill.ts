import { existsSync, renameSync, rmSync } from "node:fs";
import { openDb } from "@/db/open";
import { duskwing } from "./beans";
import { DEMO_DAY } from "./day";
import { drawer, otherHands } from "./drawer";
import { setUpGround } from "./ground";
import { leek } from "./leek";
import { Melon } from "./melon";
import { nextSeason } from "./nextSeason";
import { orach } from "./orach";
import { ownTasks } from "./ownTasks";
import { pepper } from "./pepper";
import { draw, pictures } from "./pictures";
import { chance } from "./random";
import { Grower } from "./season";
import { seed } from "./seed";
import { tasting } from "./tasting";

/** Writes the demo database: seven seasons recorded through the application's own commands. Whole or not at all. */
export async function fillDemo(path: string): Promise<void> {
  const unfinished = `${path}.unfinished`;
  for (const end of ["", "-wal", "-shm", ".device", ".photos"])
    rmSync(unfinished + end, { force: true, recursive: true });
  const db = openDb(unfinished);
  db.pragma("synchronous = OFF");
  const grower = new Grower(db, chance(48_093));
  const beds = setUpGround(grower);
  duskwing(grower, beds);
  orach(grower, beds);
  pepper(grower, beds);
  leek(grower, beds);
  drawer(grower, beds);
  const melon = new Melon(grower, beds);
  melon.thisSeason(melon.history());
  otherHands(grower, DEMO_DAY);
  nextSeason(grower, beds, DEMO_DAY);
  ownTasks(grower, DEMO_DAY);
  seed(grower, DEMO_DAY);
  tasting(grower);
  await draw(db, pictures(grower, DEMO_DAY));
  db.pragma("wal_checkpoint(TRUNCATE)");
  db.close();
  // The database last: where it stands, all stands.
  rmSync(`${path}.photos`, { force: true, recursive: true });
  renameSync(`${unfinished}.photos`, `${path}.photos`);
  renameSync(`${unfinished}.device`, `${path}.device`);
  renameSync(unfinished, path);
}

const path = process.argv[2];
if (path && process.argv[1]?.endsWith("fill.ts")) {
  if (existsSync(path)) console.log(`The demo database ${path} stands already.`);
  else await fillDemo(path);
}
