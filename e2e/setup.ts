import { execFileSync } from "node:child_process";
import { rmSync } from "node:fs";
import { DEMO_DB } from "./server";

/** Fills one demo database; every test file works on a copy. */
export default function setup(): void {
  rmSync(DEMO_DB, { force: true });
  execFileSync("node_modules/.bin/tsx", ["demo/fill.ts", DEMO_DB], { stdio: "inherit" });
}
