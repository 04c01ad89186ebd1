import { parentPort } from "node:worker_threads";
import { mergeJobs } from "@/records/mergeJobs";
import { runner, type ToWorker } from "./jobs";

/** The server's worker: the long work of requests, off the thread that answers them. */
const port = parentPort!;
const take = runner({ ...mergeJobs }, (message) => port.postMessage(message));
port.on("message", (message: ToWorker) => take(message));
