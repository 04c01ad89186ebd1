// What whoever changes something runs again and again: format, types, layers, and the unit tests beside what was changed.
import { spawnSync } from "node:child_process";
import { existsSync } from "node:fs";
import { dirname } from "node:path";
import { checkNode, install, stop } from "./prepare.mjs";
import { quiet, seconds } from "./quiet.mjs";

checkNode();
install();
const from = Date.now();

/** What differs from the last commit, new files too. */
const git = (...args) => spawnSync("git", args, { encoding: "utf8" }).stdout.split("\n").filter(Boolean);
const changed = [...git("diff", "--name-only", "HEAD"), ...git("ls-files", "--others", "--exclude-standard")];

/** Where the tests of a file are: beside it; those of records and views have a folder of their own. */
function testsOf(path) {
  const [, floor] = path.split("/");
  if (floor === "records")
    return ["src/records/tests/commands.test.ts", "src/records/tests/records.test.ts", dirname(path)];
  return floor === "views" ? ["src/views/tests"] : [dirname(path)];
}
const tests = [...new Set(changed.filter((path) => /^(src|scripts)\/.*\.[cm]?[jt]sx?$/.test(path)).flatMap(testsOf))];
const found = tests.filter((path) => existsSync(path));

const trouble = await Promise.all([
  quiet("format and types", [
    ["biome", ["ci", "--error-on-warnings"]],
    ["tsc", ["--noEmit"]],
  ]),
  quiet(`layers, and unit tests beside ${changed.length} changed files`, [
    ["depcruise", ["--config", ".dependency-cruiser.cjs", "src"]],
    ...(found.length > 0 ? [["vitest", ["run", "--passWithNoTests", ...found]]] : []),
  ]),
]);
const failed = trouble.filter(Boolean);
if (failed.length > 0) stop(failed.join(" "));
console.log(`\nAll green in ${seconds(from)}. Before it lands, npm test says whether the rest is.`);
