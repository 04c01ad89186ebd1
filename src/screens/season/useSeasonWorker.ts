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
  // What is on the screen now: an answer to an older question is none.
  const current = useRef({ scene: 0, search: 0 });
  const [tried, setTried] = useState(first);
  const [found, setFound] = useState<Found | null>(null);
  const [searching, setSearching] = useState(false);
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
      if (data.kind === "found") {
        if (data.of === current.current.search) setFound(data);
        return;
      }
      if (data.of === current.current.scene) setTried(data.stands);
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
    current.current = { scene: current.current.scene + 1, search: current.current.search + 1 };
    setFound(null);
    setSearching(false);
    worker.current?.postMessage({ kind: "scene", of: current.current.scene, scene } satisfies ToSeasonWorker);
    ask([]);
  }, [scene, ask]);

  return {
    tried,
    found,
    /** A search has been asked for on the ground as it is now, and perhaps answered. */
    searching,
    failed,
    ask,
    arrange: (task: Omit<ArrangeTask, "scene">, seed: number) => {
      setFound(null);
      setSearching(true);
      const of = ++current.current.search;
      worker.current?.postMessage({ kind: "arrange", of, task, seed } satisfies ToSeasonWorker);
    },
    stop: () => worker.current?.postMessage({ kind: "stop" } satisfies ToSeasonWorker),
  };
}
