// Ends a writing program without warning (kill -9), again and again, and looks whether anything acknowledged was lost or
// anything is half written. `node scripts/kill.mjs 2000`: so many times.
import { spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { checkNode, install, stop } from "./prepare.mjs";

checkNode();
install();
const { default: Database } = await import("better-sqlite3");

const TRIALS = Number(process.argv[2] ?? 2000);
/** Longest time, ms, that a writer is left to write. */
const LEFT = 400;
if (!Number.isInteger(TRIALS) || TRIALS < 1) stop("Say how often: node scripts/kill.mjs 2000");

/** One writer, killed at a moment by chance; the ops it had acknowledged by then. */
function killed(path) {
  return new Promise((resolve, reject) => {
    const writer = spawn(process.execPath, ["--import", "tsx", "scripts/kill-writer.ts", path], {
      stdio: ["ignore", "pipe", "inherit"],
    });
    let said = "";
    let waiting = null;
    writer.stdout.on("data", (data) => {
      said += data;
      if (waiting === null && said.includes("ready\n"))
        waiting = setTimeout(() => writer.kill("SIGKILL"), Math.random() * LEFT);
    });
    writer.on("exit", (status, signal) => {
      if (signal !== "SIGKILL") return reject(new Error(`The writer ended by itself (${status}).`));
      // A line that was cut off is no acknowledgement.
      resolve(
        said
          .split("\n")
          .slice(0, -1)
          .filter((line) => line !== "ready"),
      );
    });
  });
}

/** What is wrong with a database after a kill; nothing where all is well. */
function troubleAfter(path, acknowledged) {
  const db = new Database(path);
  const all = (sql, ...values) =>
    db
      .prepare(sql)
      .pluck()
      .all(...values);
  const found = [];
  const check = db.pragma("quick_check", { simple: true });
  if (check !== "ok") found.push(`the file is damaged: ${check}`);
  if (db.pragma("foreign_key_check").length > 0) found.push("a row names one that is not there");
  const ops = new Set(all("SELECT id FROM op"));
  const lost = acknowledged.filter((id) => !ops.has(id));
  if (lost.length > 0) found.push(`${lost.length} acknowledged writes are lost`);
  // Every op is whole: its changes are there, and every row is as the last op on it says.
  for (const id of all("SELECT id FROM op WHERE id NOT IN (SELECT op FROM opChange)"))
    found.push(`op ${id} has no changes`);
  for (const table of ["bed", "reading", "garden"]) {
    const stray = all(
      `SELECT id FROM "${table}" WHERE version <> (
         SELECT o.id FROM opChange c JOIN op o ON o.id = c.op WHERE c.tableName = ? AND c.rowId = "${table}".id
         ORDER BY o.clock DESC LIMIT 1)`,
      table,
    );
    if (stray.length > 0) found.push(`${stray.length} rows of ${table} are not as the journal says`);
  }
  const imports = all(
    `SELECT count(*) FROM opChange c JOIN op o ON o.id = c.op WHERE o.command = 'climate.import'
     AND c.before IS NULL GROUP BY o.id HAVING count(*) <> 300`,
  );
  if (imports.length > 0) found.push("an import is half written");
  db.close();
  return found;
}

const folder = mkdtempSync(join(tmpdir(), "orchard-kill-"));
let done = 0;
let writes = 0;
async function trials(path) {
  let acknowledged = [];
  while (done < TRIALS) {
    done++;
    // A garden lives through many kills; now and then a new one, so that its beginning is among them.
    if (done % 25 === 0) {
      for (const end of ["", "-wal", "-shm", ".device"]) rmSync(path + end, { force: true });
      acknowledged = [];
    }
    const said = await killed(path);
    writes += said.length;
    acknowledged.push(...said);
    const found = troubleAfter(path, acknowledged);
    if (found.length > 0) stop(`After ${done} kills: ${found.join("; ")}. The file is ${path}.`);
    if (done % 100 === 0) console.log(`${done} kills, ${writes} writes acknowledged, nothing lost`);
  }
}
await Promise.all([trials(join(folder, "a.db")), trials(join(folder, "b.db"))]);
rmSync(folder, { recursive: true });
console.log(`${done} kills, ${writes} acknowledged writes: nothing lost, nothing half written.`);
