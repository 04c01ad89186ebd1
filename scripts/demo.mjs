import { existsSync, mkdirSync } from "node:fs";
import { bin, build, checkNode, install, run, serve, stop } from "./prepare.mjs";

const path = process.env.ORCHARD_DB ?? "data/demo.db";
checkNode();
install();
build();
if (!existsSync(path)) {
  if (!process.env.ORCHARD_DB) mkdirSync("data", { recursive: true });
  console.log("Filling the demo garden …");
  if (!run(bin("tsx"), ["demo/fill.ts", path]))
    stop("The demo garden could not be filled; what is wrong stands above.");
}
await serve({ ORCHARD_DB: path });
