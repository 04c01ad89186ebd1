import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll } from "vitest";
import { type Db, openDb } from "@/db/open";
import { fillDemo } from "../fill";

/** The demo garden for the tests of a file, filled before them, in a folder that goes with them. */
export function demoGarden(): { folder: string; readonly db: Db } {
  const folder = mkdtempSync(join(tmpdir(), "orchard-demo-test-"));
  let db: Db;
  beforeAll(async () => {
    await fillDemo(join(folder, "one.db"));
    db = openDb(join(folder, "one.db"));
  }, 120_000);
  afterAll(() => {
    db.close();
    rmSync(folder, { recursive: true });
  });
  return {
    folder,
    get db() {
      return db;
    },
  };
}
