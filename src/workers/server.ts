import { parentPort } from "node:worker_threads";
import { computeJob } from "@/catalogue/methods";
import { recordJobs } from "@/records/jobs";
import { VIEW_JOBS } from "@/views/jobs";
import { type Jobs, runner, type ToWorker } from "./jobs";

/** The server's worker: the long work of requests, off the thread that answers them. */
const port = parentPort!;
const jobs: Jobs = {
  compute: computeJob,
  ...recordJobs,
  ...Object.fromEntries([...VIEW_JOBS].map(([name, { run }]) => [name, run])),
};
const take = runner(jobs, (message) => port.postMessage(message));
port.on("message", (message: ToWorker) => take(message));
