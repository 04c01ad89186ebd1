import { spawnSync } from "node:child_process";
import { cpSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { afterAll, afterEach, beforeAll, expect, test } from "vitest";

// What is planted is planted in a copy, so that whoever reads the sources meanwhile finds them as they are.
let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), "orchard-layers-"));
  for (const path of ["src", "tsconfig.json", ".dependency-cruiser.cjs", "package.json"])
    cpSync(path, join(folder, path), { recursive: true });
  symlinkSync(resolve("node_modules"), join(folder, "node_modules"));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const planted = { path: "src/core/planted.ts" };
afterEach(() => rmSync(join(folder, planted.path), { force: true }));

const check = () => spawnSync("node_modules/.bin/depcruise", ["src"], { cwd: folder, encoding: "utf8" });

test.each([
  ["src/core/planted.ts", 'export { theDb } from "../db/open";', "core-imports-only-core"],
  ["src/ui/planted.ts", 'export { addDays } from "../core/calendar/day";', "ui-imports-nothing-of-ours"],
  ["src/workers/planted.ts", 'export { theDb } from "../db/open";', "the-page's-worker-runs-the-core"],
  ["src/screens/today/planted.ts", 'export { theDb } from "../../db/open";', "screens-import-ui-core-and-types"],
  [
    "src/screens/today/planted.ts",
    'export { todayView } from "../../views/today";',
    "screens-take-only-types-from-the-server",
  ],
  ["src/screens/today/planted.ts", 'export { BedForm } from "../ground/BedForm";', "a-screen-needs-no-other-screen"],
])("a forbidden import in %s is found", (path, code, rule) => {
  planted.path = path;
  writeFileSync(join(folder, path), `${code}\n`);
  const { status, stdout } = check();
  expect(stdout).toContain(rule);
  expect(status).not.toBe(0);
});

test("the layers hold as they are", () => {
  const { status, stdout } = check();
  expect(stdout).toMatch(/no dependency violations found \(\d{3,} modules/);
  expect(status).toBe(0);
});
