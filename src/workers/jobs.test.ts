import { expect, test, vi } from "vitest";
import { caller, type FromWorker, type Jobs, runner, type ToWorker } from "./jobs";

/** A runner with what it said, and a way to wait until it has said something. */
function running(jobs: Jobs) {
  const said: FromWorker[] = [];
  const take = runner(jobs, (message) => said.push(message));
  const until = (id: number, kind: FromWorker["kind"]) =>
    vi.waitFor(() => expect(said).toContainEqual(expect.objectContaining({ id, kind })), {
      timeout: 5000,
      interval: 5,
    });
  return { said, take, until };
}

/** Steps of some milliseconds each; `left` tells how it ended. */
const busy = (left: string[]) =>
  function* ({ name, steps }: { name: string; steps: number }) {
    try {
      for (let done = 1; done <= steps; done++) {
        const end = Date.now() + 15;
        while (Date.now() < end);
        yield { doing: name, done, of: steps };
      }
      return `${name} done`;
    } finally {
      left.push(name);
    }
  };

test("a job tells how far it is and what came of it, each under the number it was asked with", async () => {
  const { said, take, until } = running({ busy: busy([]) });
  take({ kind: "run", id: 7, job: "busy", input: { name: "a", steps: 12 } });
  await until(7, "done");
  expect(said.at(-1)).toEqual({ id: 7, kind: "done", result: "a done" });
  const told = said.filter((message) => message.kind === "progress");
  expect(told.length).toBeGreaterThanOrEqual(2);
  expect(said.every(({ id }) => id === 7)).toBe(true);
  const steps = told.map(({ progress }) => (progress as { done: number }).done);
  expect(steps).toEqual([...steps].sort((a, b) => a - b));
});

test("one that is stopped is over where it stands, says nothing more, and holds up no other", async () => {
  const left: string[] = [];
  const { said, take, until } = running({ busy: busy(left) });
  take({ kind: "run", id: 1, job: "busy", input: { name: "old", steps: 10_000 } });
  take({ kind: "run", id: 2, job: "busy", input: { name: "new", steps: 6 } });
  await until(1, "progress");
  take({ kind: "stop", id: 1 });
  await until(2, "done");
  await vi.waitFor(() => expect(left).toEqual(expect.arrayContaining(["old", "new"])));
  expect(said.some(({ id, kind }) => id === 1 && kind === "done")).toBe(false);
  // A stop that comes too late stops no later job of that number.
  take({ kind: "stop", id: 2 });
  take({ kind: "run", id: 2, job: "busy", input: { name: "again", steps: 6 } });
  await vi.waitFor(() => expect(said).toContainEqual({ id: 2, kind: "done", result: "again done" }));
});

test("one that fails, and one that is not known, say so with the failure's code", async () => {
  const { said, take, until } = running({
    // biome-ignore lint/correctness/useYield: it fails at once
    *full() {
      throw Object.assign(new Error("database or disk is full"), { code: "SQLITE_FULL" });
    },
  });
  take({ kind: "run", id: 3, job: "full", input: null });
  take({ kind: "run", id: 4, job: "nobody", input: null });
  await until(3, "failed");
  await until(4, "failed");
  expect(said).toContainEqual({ id: 3, kind: "failed", message: "database or disk is full", code: "SQLITE_FULL" });
});

test("who asks hears of what he asked alone, nothing after he stopped it, and why when the worker is gone", () => {
  const told: ToWorker[] = [];
  const calls = caller((message) => told.push(message));
  const heard = { a: [] as string[], b: [] as string[] };
  const note = (who: "a" | "b") => (message: FromWorker) => {
    heard[who].push(message.kind === "failed" ? message.message : message.kind);
  };
  calls.start("one", 1, note("a"));
  const stop = calls.start("two", 2, note("b"));
  expect(told).toEqual([
    { kind: "run", id: 1, job: "one", input: 1 },
    { kind: "run", id: 2, job: "two", input: 2 },
  ]);
  calls.hear({ id: 1, kind: "progress", progress: null });
  calls.hear({ id: 2, kind: "progress", progress: null });
  stop();
  stop();
  expect(told.slice(2)).toEqual([{ kind: "stop", id: 2 }]);
  calls.hear({ id: 2, kind: "done", result: null });
  calls.over("gone");
  calls.over("gone again");
  expect(heard).toEqual({ a: ["progress", "gone"], b: ["progress"] });
});

test("progress that takes work to tell is worked out only when it is told", async () => {
  let worked = 0;
  const { said, take, until } = running({
    *slow() {
      for (let step = 0; step < 30; step++) {
        const end = Date.now() + 5;
        while (Date.now() < end);
        yield () => ++worked;
      }
      return "done";
    },
  });
  take({ kind: "run", id: 1, job: "slow", input: null });
  await until(1, "done");
  const told = said.flatMap((message) => (message.kind === "progress" ? [message.progress] : []));
  expect(told).toEqual(Array.from({ length: worked }, (_, i) => i + 1));
  expect(worked).toBeLessThan(30);
});
