import { spawnSync } from "node:child_process";
import { chmodSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Database from "better-sqlite3";
import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { keepDaily } from "@/db/backup";
import { SCHEMA } from "@/db/migrate";
import { openDb, settle } from "@/db/open";

let folder: string;
let path: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), "orchard-open-"));
  path = join(folder, "orchard.db");
});
afterEach(() => rmSync(folder, { recursive: true }));

/** A sound file with some pages in it. */
function sound(): Buffer {
  openDb(path).close();
  return readFileSync(path);
}

/** What openDb says of a file, after making sure that it left it as it was. */
function refusal(): string {
  const before = readFileSync(path);
  let said = "";
  try {
    openDb(path).close();
  } catch (failure) {
    said = (failure as Error).message;
  }
  expect(readFileSync(path).equals(before)).toBe(true);
  return said;
}

describe("a file that can't be trusted is left as it is, and said to be so", () => {
  test("none at all is made; a folder that isn't there is not", () => {
    openDb(path).close();
    expect(readdirSync(folder)).toContain("orchard.db");
    expect(() => openDb(join(folder, "orchrad", "orchard.db"))).toThrow(/There is no folder .*orchrad, so no database/);
    expect(readdirSync(folder)).not.toContain("orchrad");
  });

  test.each([
    ["an empty one", () => Buffer.alloc(0), /orchard\.db is empty/],
    ["one byte", () => Buffer.from("S"), /is no database/],
    ["a text", () => Buffer.from("Mother, father, flower\n".repeat(40)), /is no database/],
    ["a cut one", (whole: Buffer) => whole.subarray(0, 8_192), /is damaged/],
    [
      "one with pages overwritten",
      (whole: Buffer) => {
        const torn = Buffer.from(whole);
        for (let at = 4_096; at < 40_960; at++) torn[at] = (at * 37) % 251;
        return torn;
      },
      /is damaged/,
    ],
  ])("%s", (_, spoil, words) => {
    writeFileSync(path, spoil(sound()));
    for (const end of ["-wal", "-shm"]) rmSync(path + end, { force: true });
    const said = refusal();
    expect(said).toMatch(words);
    expect(said).toMatch(/It was left as it is\. Put a backup in its place, or name another file with ORCHARD_DB\.$/);
  });

  test("one of another program, and one of a newer schema", () => {
    const other = new Database(path);
    other.exec("CREATE TABLE recipe (name TEXT)");
    other.close();
    expect(refusal()).toMatch(/belongs to another program/);
    const numbered = new Database(path);
    numbered.pragma("user_version = 3");
    numbered.close();
    expect(refusal()).toMatch(/belongs to another program/);
    rmSync(path);
    sound();
    const newer = new Database(path);
    newer.pragma("user_version = 99");
    newer.close();
    expect(refusal()).toContain(`written by a newer Nimble Orchard (schema 99; this program knows ${SCHEMA})`);
  });

  test("one that may only be read, or lies where nothing may be written", () => {
    // The rights of a file don't bind root: whoever runs this, another opens the file.
    const nobody = process.getuid?.() === 0 ? { uid: 65_534, gid: 65_534 } : {};
    const opened = () => {
      const script = `import { openDb } from "${process.cwd()}/src/db/open"; openDb(${JSON.stringify(path)});`;
      return spawnSync("node_modules/.bin/tsx", ["-e", script], { encoding: "utf8", ...nobody }).stderr;
    };
    sound();
    chmodSync(folder, 0o777);
    chmodSync(path, 0o444);
    expect(opened()).toMatch(/orchard\.db can't be used: the file may not be written by this user/);
    chmodSync(path, 0o666);
    chmodSync(folder, 0o555);
    expect(opened()).toMatch(/orchard\.db can't be used: its folder may not be written by this user/);
    chmodSync(folder, 0o777);
    expect(opened()).toBe("");
  });

  test("a folder under that name", () => {
    mkdirSync(path);
    expect(() => openDb(path)).toThrow(/orchard\.db is no file/);
  });
});

describe("backups", () => {
  test("one a day, whole by itself, the newest fourteen", async () => {
    const db = openDb(path);
    const days = Array.from({ length: 16 }, (_, i) => `2027-07-${String(i + 1).padStart(2, "0")}`);
    for (const day of days) expect(await keepDaily(db, day)).toBe(join(`${path}.backups`, `orchard-${day}.db`));
    expect(await keepDaily(db, days.at(-1)!)).toBeNull();
    db.close();
    expect(readdirSync(`${path}.backups`).sort()).toEqual(days.slice(2).map((day) => `orchard-${day}.db`));
    const copy = new Database(join(`${path}.backups`, "orchard-2027-07-16.db"), { readonly: true });
    expect(copy.pragma("integrity_check", { simple: true })).toBe("ok");
    expect(copy.pragma("journal_mode", { simple: true })).toBe("delete");
    copy.close();
  });

  test("a damaged file is met with the newest backup that is sound", async () => {
    const db = openDb(path);
    for (const day of ["2027-07-08", "2027-07-09"]) await keepDaily(db, day);
    db.close();
    writeFileSync(join(`${path}.backups`, "orchard-2027-07-09.db"), "torn");
    writeFileSync(path, "torn");
    expect(refusal()).toMatch(/The newest sound backup is .*orchard-2027-07-08\.db\.$/);
  });

  test("the write-ahead log is empty once it has been settled", () => {
    const db = openDb(path);
    db.exec("CREATE TABLE scratch (x); INSERT INTO scratch VALUES (1)");
    expect(readFileSync(`${path}-wal`).length).toBeGreaterThan(0);
    settle(db);
    expect(readFileSync(`${path}-wal`).length).toBe(0);
    db.close();
  });
});
