"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import { headersOf, type Press } from "./press";

export type Progress = { doing: string; done: number; of: number };
type Line<R> =
  | { kind: "progress"; progress: Progress }
  | { kind: "done"; result: R }
  | { kind: "failed"; message: string };
export type JobEnd<R> = { ok: true; result: R } | { ok: false; message: string };

const AWAY = "The server did not answer. Nothing was written; try again.";

async function* lines<R>(body: ReadableStream<Uint8Array>): AsyncGenerator<Line<R>> {
  const reader = body.pipeThrough(new TextDecoderStream() as ReadableWritablePair<string, Uint8Array>).getReader();
  let rest = "";
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return;
    const parts = (rest + value).split("\n");
    rest = parts.pop()!;
    for (const part of parts) yield JSON.parse(part) as Line<R>;
  }
}

/** Long work on the server: how far it is, and a way to stop it. A newer call stops the one before. */
export function useJob<R>(path: string) {
  const [progress, setProgress] = useState<Progress | null>(null);
  const running = useRef<AbortController | null>(null);
  const stop = useCallback(() => {
    running.current?.abort();
    running.current = null;
    setProgress(null);
  }, []);
  const run = useCallback(
    async (body: Blob | object, press?: Press): Promise<JobEnd<R> | null> => {
      stop();
      const mine = new AbortController();
      running.current = mine;
      setProgress({ doing: "Sending", done: 0, of: 0 });
      const binary = body instanceof Blob;
      const headers = {
        "content-type": binary ? "application/octet-stream" : "application/json",
        ...headersOf(press),
      };
      try {
        const response = await fetch(path, {
          method: "POST",
          headers,
          body: binary ? body : JSON.stringify(body),
          signal: mine.signal,
        });
        if (!response.ok) return { ok: false, message: ((await response.json()) as { message: string }).message };
        for await (const line of lines<R>(response.body!)) {
          if (line.kind === "progress") setProgress(line.progress);
          else return line.kind === "done" ? { ok: true, result: line.result } : { ok: false, message: line.message };
        }
        return { ok: false, message: AWAY };
      } catch {
        // A job that was stopped has nothing to say.
        return mine.signal.aborted ? null : { ok: false, message: AWAY };
      } finally {
        if (running.current === mine) stop();
      }
    },
    [path, stop],
  );
  return { run, stop, progress };
}

/**
 * What a job makes of an input, asked for anew whenever that changes.
 * @param since changes when what the job reads has changed: the journal's head
 */
export function useJobResult<R>(
  path: string,
  input: object,
  since: string | null,
): { result: R | null; trouble: string | null } {
  const { run, stop } = useJob<R>(path);
  const asked = JSON.stringify([input, since]);
  const [end, setEnd] = useState<{ asked: string; end: JobEnd<R> } | null>(null);
  useEffect(() => {
    const [body] = JSON.parse(asked) as [object];
    void run(body).then((told) => told && setEnd({ asked, end: told }));
    return stop;
  }, [run, stop, asked]);
  // What was reckoned for another input is not this one's.
  const told = end?.asked === asked ? end.end : null;
  return { result: told?.ok ? told.result : null, trouble: told && !told.ok ? told.message : null };
}
