import { Worker } from "node:worker_threads";
import type { FromWorker, ToWorker } from "@/workers/jobs";

type Waiting = (message: FromWorker) => void;
const kept = globalThis as { orchardWorker?: Worker };
const waiting = new Map<number, Waiting>();
let last = 0;

function theWorker(): Worker {
  if (kept.orchardWorker) return kept.orchardWorker;
  const worker = new Worker(new URL("../workers/server.ts", import.meta.url));
  const over = (message: string) => {
    kept.orchardWorker = undefined;
    for (const [id, tell] of waiting) tell({ id, kind: "failed", message });
    waiting.clear();
  };
  worker.on("message", (message: FromWorker) => waiting.get(message.id)?.(message));
  worker.on("error", (failure) => over(failure.message));
  worker.on("exit", () => over("The work was broken off."));
  worker.unref();
  kept.orchardWorker = worker;
  return worker;
}

/** Starts a job; what it says comes to `hear`. Gives a way to stop it. */
function start(job: string, input: unknown, hear: Waiting): () => void {
  const id = ++last;
  const worker = theWorker();
  const tell = (message: ToWorker) => worker.postMessage(message);
  waiting.set(id, (message) => {
    if (message.kind !== "progress") waiting.delete(id);
    hear(message);
  });
  tell({ kind: "run", id, job, input });
  return () => {
    waiting.delete(id);
    tell({ kind: "stop", id });
  };
}

/** Runs a job in the server's worker to its end. */
export const jobResult = <R>(job: string, input: unknown): Promise<R> =>
  new Promise((resolve, reject) => {
    start(job, input, (message) => {
      if (message.kind === "done") resolve(message.result as R);
      else if (message.kind === "failed") reject(Object.assign(new Error(message.message), { code: message.code }));
    });
  });

const line = (value: unknown) => new TextEncoder().encode(`${JSON.stringify(value)}\n`);

/**
 * Runs a job in the server's worker and answers line by line, JSON each: progress as it goes, and what came of it at the
 * end. Who stops reading stops the job.
 * @param ended gets what came of it, null where it failed
 */
export function jobAnswer<R>(job: string, input: unknown, ended: (result: R | null) => void = () => {}): Response {
  let stop = () => {};
  const body = new ReadableStream({
    start(controller) {
      stop = start(job, input, (message) => {
        const { id: _, ...said } = message;
        controller.enqueue(line(said));
        if (message.kind === "progress") return;
        ended(message.kind === "done" ? (message.result as R) : null);
        controller.close();
      });
    },
    cancel: () => stop(),
  });
  return new Response(body, { headers: { "content-type": "application/x-ndjson", "cache-control": "no-store" } });
}
