import { spawnSync } from "node:child_process";
import { cpSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { afterAll, beforeAll, expect, test } from "vitest";

/** Imports that no layer may have, each in a file of its own, with the rule that finds it. */
const FORBIDDEN = [
  ["src/core/planted.ts", 'export { theDb } from "../db/open";', "core-imports-only-core"],
  [
    "src/ui/planted.ts",
    'export { flowersToDo } from "../core/pollination/flowersToDo";',
    "ui-imports-days-and-writing",
  ],
  ["src/workers/planted.ts", 'export { theDb } from "../db/open";', "the-page's-worker-runs-the-core"],
  ["src/screens/today/plantedDb.ts", 'export { theDb } from "../../db/open";', "screens-import-ui-core-and-types"],
  [
    "src/screens/today/plantedView.ts",
    'export { todayView } from "../../views/today";',
    "screens-take-only-types-from-the-server",
  ],
  // A record's definition may be imported, what is done with it not.
  [
    "src/screens/today/plantedCommands.ts",
    'export { standCommands } from "../../records/stand/commands";',
    "screens-take-only-types-from-the-server",
  ],
  ["src/screens/today/plantedBed.ts", 'export { BedForm } from "../ground/BedForm";', "a-screen-needs-no-other-screen"],
] as const;

const CODE = ["src", "demo", "e2e", "bench"];

// They are planted in a copy, all at once: the checker takes seconds, and who reads the sources meanwhile finds them as they are.
let folder: string;
let found: ReturnType<typeof spawnSync>;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), "orchard-layers-"));
  for (const path of [
    ...CODE,
    "scripts",
    "playwright.config.ts",
    "tsconfig.json",
    ".dependency-cruiser.cjs",
    "package.json",
  ])
    cpSync(path, join(folder, path), { recursive: true });
  symlinkSync(resolve("node_modules"), join(folder, "node_modules"));
  for (const [path, code] of FORBIDDEN) writeFileSync(join(folder, path), `${code}\n`);
  found = spawnSync("node_modules/.bin/depcruise", CODE, { cwd: folder, encoding: "utf8" });
  // A busy machine takes its time over more than a thousand files.
}, 120_000);
afterAll(() => rmSync(folder, { recursive: true, force: true }));

test.each(FORBIDDEN)("a forbidden import in %s is found", (path, _, rule) => {
  const lines = String(found.stdout).split("\n");
  expect(lines.some((line) => line.includes(rule) && line.includes(path))).toBe(true);
  expect(found.status).not.toBe(0);
});

test("nothing else is found: the layers hold as they are", () => {
  const errors = String(found.stdout)
    .split("\n")
    .filter((line) => line.trim().startsWith("error "));
  expect(errors.filter((line) => !line.includes("planted"))).toEqual([]);
  expect(String(found.stdout)).toMatch(/\d{3,} modules/);
});
