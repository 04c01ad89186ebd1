import { spawn } from "node:child_process";
import { bin } from "./prepare.mjs";

export const seconds = (from) => `${((Date.now() - from) / 1000).toFixed(0)} s`;

/** Runs programs one after another, unheard; what they said is told where one fails. */
export async function quiet(name, commands) {
  const from = Date.now();
  for (const [program, args] of commands) {
    const said = [];
    const child = spawn(bin(program), args, { stdio: ["ignore", "pipe", "pipe"] });
    for (const stream of [child.stdout, child.stderr]) stream.on("data", (data) => said.push(data));
    const status = await new Promise((ended) => child.on("exit", ended));
    if (status !== 0) {
      process.stdout.write(Buffer.concat(said));
      return `Failed: ${name} (${program}).`;
    }
  }
  console.log(`== ${name}: ${seconds(from)}`);
  return null;
}
