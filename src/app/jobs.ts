import { Worker } from "node:worker_threads";
import { type Caller, caller, type FromWorker } from "@/workers/jobs";

// On the process and not in the module, which a reload in development makes anew.
const kept = globalThis as { orchardCalls?: Caller };

function calls(): Caller {
  if (kept.orchardCalls) return kept.orchardCalls;
  const worker = new Worker(new URL("../workers/server.ts", import.meta.url));
  const made = caller((message) => worker.postMessage(message));
  const over = (message: string) => {
    kept.orchardCalls = undefined;
    made.over(message);
  };
  worker.on("message", (message: FromWorker) => made.hear(message));
  worker.on("error", (failure) => over(failure.message));
  worker.on("exit", () => over("The work was broken off."));
  worker.unref();
  kept.orchardCalls = made;
  return made;
}

/** Runs a job in the server's worker to its end. */
export const jobResult = <R>(job: string, input: unknown): Promise<R> =>
  new Promise((resolve, reject) => {
    calls().start(job, input, (message) => {
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
      stop = calls().start(job, input, (message) => {
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
