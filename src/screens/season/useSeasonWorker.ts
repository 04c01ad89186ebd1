"use client";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { ArrangeTask } from "@/core/isolation/arrange";
import type { Change } from "@/core/isolation/change";
import type { Scene } from "@/core/isolation/scene";
import type { Tried } from "@/core/isolation/tryout";
import { writtenAs } from "@/core/writing/locale";
import { useAsked } from "@/ui/useAsked";
import type { SentScene } from "@/views/season";
import { type Caller, caller, type FromWorker } from "@/workers/jobs";
import type { Found } from "@/workers/season";

/** What the worker reckons with, asked for when the page is there. */
export function useScene(season: number, head: string | null): { scene: Scene | null; trouble: string | null } {
  const { answer, trouble } = useAsked<SentScene>(`/api/scene?season=${season}`, head);
  const scene = useMemo(
    () => answer && { ...answer, climate: { ...answer.climate, measured: new Map(answer.climate.measured) } },
    [answer],
  );
  return { scene, trouble };
}

/** The season's worker: tries changes, at most one at a time and the latest last, and arranges. */
export function useSeasonWorker({ scene, trouble }: ReturnType<typeof useScene>, first: Tried[]) {
  const calls = useRef<Caller | null>(null);
  const busy = useRef(false);
  const waiting = useRef<Change[] | null>(null);
  // What is on the screen now: an answer about another scene is none.
  const current = useRef(scene);
  const endSearch = useRef(() => {});
  const [tried, setTried] = useState(first);
  const [found, setFound] = useState<(Found & { done: boolean }) | null>(null);
  const [searching, setSearching] = useState(false);
  const [failed, setFailed] = useState(false);

  const ask = useCallback((changes: Change[]) => {
    if (busy.current || !calls.current || !current.current) {
      waiting.current = changes;
      return;
    }
    busy.current = true;
    const asked = current.current;
    calls.current.start("try", changes, (message) => {
      if (message.kind === "failed") setFailed(true);
      if (message.kind === "done" && current.current === asked) setTried(message.result as Tried[]);
      busy.current = false;
      const next = waiting.current;
      waiting.current = null;
      if (next) ask(next);
    });
  }, []);

  useEffect(() => {
    const worker = new Worker(new URL("../../workers/season.ts", import.meta.url), { type: "module" });
    const made = caller((message) => worker.postMessage(message));
    calls.current = made;
    worker.onerror = () => setFailed(true);
    worker.onmessage = ({ data }: MessageEvent<FromWorker>) => made.hear(data);
    return () => {
      worker.terminate();
      calls.current = null;
      busy.current = false;
    };
  }, []);

  useEffect(() => {
    current.current = scene;
    if (!scene) return;
    endSearch.current();
    setFound(null);
    setSearching(false);
    calls.current?.start("scene", { scene, locale: writtenAs() }, () => {});
    // What was tried before the scene was there.
    const first = waiting.current ?? [];
    waiting.current = null;
    ask(first);
  }, [scene, ask]);

  const arrange = (task: Omit<ArrangeTask, "scene">, seed: number) => {
    endSearch.current();
    setFound(null);
    setSearching(true);
    const stop = calls.current?.start("arrange", { task, seed }, (message) => {
      if (message.kind === "failed") setFailed(true);
      else if (message.kind === "done") setFound({ ...(message.result as Found), done: true });
      else setFound({ ...(message.progress as Found), done: false });
    });
    endSearch.current = stop ?? (() => {});
  };

  return {
    tried,
    found,
    /** A search has been asked for on the ground as it is now, and perhaps answered. */
    searching,
    failed: failed || trouble !== null,
    ask,
    arrange,
    /** What was found so far is what was found. */
    stop: () => {
      endSearch.current();
      setFound((best) => best && { ...best, done: true });
      setSearching(found !== null);
    },
  };
}
