import { spawnSync } from "node:child_process";
import { rmSync, writeFileSync } from "node:fs";
import { afterEach, expect, test } from "vitest";

const planted = { path: "src/core/planted.ts" };
afterEach(() => rmSync(planted.path, { force: true }));

const check = () => spawnSync("node_modules/.bin/depcruise", ["src"], { encoding: "utf8" });

test.each([
  ["src/core/planted.ts", 'export { theDb } from "../db/open";', "core-imports-only-core"],
  ["src/ui/planted.ts", 'export { addDays } from "../core/calendar/day";', "ui-imports-nothing-of-ours"],
  ["src/screens/today/planted.ts", 'export { theDb } from "../../db/open";', "screens-import-ui-core-and-types"],
  [
    "src/screens/today/planted.ts",
    'export { todayView } from "../../views/today";',
    "screens-take-only-types-from-the-server",
  ],
  ["src/screens/today/planted.ts", 'export { BedForm } from "../ground/BedForm";', "a-screen-needs-no-other-screen"],
])("a forbidden import in %s is found", (path, code, rule) => {
  planted.path = path;
  writeFileSync(path, `${code}\n`);
  const { status, stdout } = check();
  expect(stdout).toContain(rule);
  expect(status).not.toBe(0);
});

test("the layers hold as they are", () => {
  const { status, stdout } = check();
  expect(stdout).toMatch(/no dependency violations found \(\d{3,} modules/);
  expect(status).toBe(0);
});
