"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import type { ArrangeTask } from "@/core/isolation/arrange";
import type { Change } from "@/core/isolation/change";
import type { Scene } from "@/core/isolation/scene";
import type { Tried } from "@/core/isolation/tryout";
import type { Found, FromSeasonWorker, ToSeasonWorker } from "@/workers/season";

/** The season's worker: tries changes, at most one at a time and the latest last, and arranges. */
export function useSeasonWorker(scene: Scene, first: Tried[]) {
  const worker = useRef<Worker | null>(null);
  const busy = useRef(false);
  const waiting = useRef<Change[] | null>(null);
  const [tried, setTried] = useState(first);
  const [found, setFound] = useState<Found | null>(null);
  const [failed, setFailed] = useState(false);

  const ask = useCallback((changes: Change[]) => {
    if (busy.current || !worker.current) {
      waiting.current = changes;
      return;
    }
    busy.current = true;
    worker.current.postMessage({ kind: "try", changes } satisfies ToSeasonWorker);
  }, []);

  useEffect(() => {
    const made = new Worker(new URL("../../workers/season.ts", import.meta.url), { type: "module" });
    worker.current = made;
    made.onerror = () => setFailed(true);
    made.onmessage = ({ data }: MessageEvent<FromSeasonWorker>) => {
      if (data.kind === "found") return setFound(data);
      setTried(data.stands);
      busy.current = false;
      const next = waiting.current;
      waiting.current = null;
      if (next) ask(next);
    };
    return () => {
      made.terminate();
      worker.current = null;
      busy.current = false;
    };
  }, [ask]);

  useEffect(() => {
    worker.current?.postMessage({ kind: "scene", scene } satisfies ToSeasonWorker);
    ask([]);
  }, [scene, ask]);

  return {
    tried,
    found,
    failed,
    ask,
    arrange: (task: Omit<ArrangeTask, "scene">, seed: number) => {
      setFound(null);
      worker.current?.postMessage({ kind: "arrange", task, seed } satisfies ToSeasonWorker);
    },
    stop: () => worker.current?.postMessage({ kind: "stop" } satisfies ToSeasonWorker),
  };
}
