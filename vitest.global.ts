import { chmodSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

/** What tests leave in the temporary folder stands in one of their own, and goes with it. */
export default function setup() {
  const folder = mkdtempSync(join(tmpdir(), "orchard-tests-"));
  // As open as the folder it stands in: some tests run a program as someone else.
  chmodSync(folder, 0o1777);
  process.env.TMPDIR = folder;
  return () => rmSync(folder, { recursive: true, force: true });
}
