/** Long work, in steps between which it can be stopped; what it returns is plain data. */
// biome-ignore lint/suspicious/noExplicitAny: a job of whatever input, as lists of jobs hold it
export type Job = (input: any) => Generator<unknown, unknown>;
export type Jobs = Record<string, Job>;

export type ToWorker = { kind: "run"; id: number; job: string; input: unknown } | { kind: "stop"; id: number };
export type FromWorker =
  | { id: number; kind: "progress"; progress: unknown }
  | { id: number; kind: "done"; result: unknown }
  | { id: number; kind: "failed"; message: string; code?: string };

/** So long, ms, a job works before messages are looked at and its progress is told. */
const SLICE = 40;
const pause = () => new Promise<void>((resolve) => setTimeout(resolve));

/**
 * Carries out the jobs of a list, wherever it runs: every answer bears the id of what was asked, and a job that is
 * stopped is over where it stands. Progress that takes work to tell is yielded as a function, called when it is told.
 */
export function runner(jobs: Jobs, say: (message: FromWorker) => void): (message: ToWorker) => void {
  const stopped = new Set<number>();
  const running = new Set<number>();

  async function run(id: number, name: string, input: unknown): Promise<void> {
    const steps = jobs[name]!(input);
    let from = Date.now();
    for (;;) {
      const { done, value } = steps.next();
      if (done) return say({ id, kind: "done", result: value });
      if (Date.now() - from < SLICE) continue;
      say({ id, kind: "progress", progress: typeof value === "function" ? value() : value });
      await pause();
      from = Date.now();
      if (!stopped.has(id)) continue;
      steps.return(undefined);
      return;
    }
  }

  return (message) => {
    const { id } = message;
    if (message.kind === "stop") {
      if (running.has(id)) stopped.add(id);
      return;
    }
    running.add(id);
    void run(id, message.job, message.input)
      .catch(({ message, code }: Error & { code?: string }) => say({ id, kind: "failed", message, code }))
      .finally(() => {
        running.delete(id);
        stopped.delete(id);
      });
  };
}

export type Hear = (message: FromWorker) => void;

/** The other end of a runner: numbers what is asked, and hands every answer to who asked. */
export function caller(tell: (message: ToWorker) => void) {
  const waiting = new Map<number, Hear>();
  let last = 0;
  const hear = (message: FromWorker): void => {
    const asked = waiting.get(message.id);
    if (message.kind !== "progress") waiting.delete(message.id);
    asked?.(message);
  };
  return {
    hear,
    /** Starts a job; what it says comes to `asked`. Gives a way to stop it, after which it says nothing more. */
    start(job: string, input: unknown, asked: Hear): () => void {
      const id = ++last;
      waiting.set(id, asked);
      tell({ kind: "run", id, job, input });
      return () => {
        if (waiting.delete(id)) tell({ kind: "stop", id });
      };
    },
    /** The runner is gone: everybody who waits is told why. */
    over(message: string): void {
      for (const id of [...waiting.keys()]) hear({ id, kind: "failed", message });
    },
  };
}
export type Caller = ReturnType<typeof caller>;
