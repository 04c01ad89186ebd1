"use client";
import { useEffect, useRef, useSyncExternalStore } from "react";

/** What the browser's history says of a sheet that lies over its page. */
const MARK = "over";
const marked = () => (history.state as Record<string, unknown> | null)?.[MARK];
let opened = 0;
/** Sheets that lie over the page, by their marks. */
const open = new Set<number>();
const hearing = new Set<() => void>();
const tell = () => {
  for (const hear of hearing) hear();
};
function hearOpen(hear: () => void): () => void {
  hearing.add(hear);
  return () => void hearing.delete(hear);
}

/** Whether something lies over the page. */
export const useAnyOver = (): boolean =>
  useSyncExternalStore(
    hearOpen,
    () => open.size > 0,
    () => false,
  );

/** A sheet that was told to close is gone within this; one that is left open is not waited for longer, ms. */
const PATIENCE = 400;
/** The way back that a closed sheet is still taking. */
let leaving: Promise<void> | null = null;

/** Once no closed sheet is still on its way back in the history: from then on a page may be turned. */
export const settled = async (): Promise<void> => {
  const top = Math.max(...open);
  const until = Date.now() + PATIENCE;
  while (open.has(top) && Date.now() < until) await new Promise((next) => setTimeout(next, 10));
  await leaving;
};

/** Back closes what lies over the page, and leaves the page; the router hears nothing of it, as no page is turned. */
export function useBackCloses(close: () => void): void {
  const latest = useRef(close);
  latest.current = close;
  useEffect(() => {
    const mine = ++opened;
    open.add(mine);
    tell();
    const state = history.state as object | null;
    history.pushState({ ...state, [MARK]: mine }, "");
    const onBack = (event: PopStateEvent) => {
      if (marked() === mine) return;
      event.stopImmediatePropagation();
      window.removeEventListener("popstate", onBack, true);
      latest.current();
    };
    window.addEventListener("popstate", onBack, true);
    return () => {
      open.delete(mine);
      tell();
      window.removeEventListener("popstate", onBack, true);
      if (marked() !== mine) return;
      leaving = new Promise((done) => {
        const gone = (event: PopStateEvent) => {
          event.stopImmediatePropagation();
          leaving = null;
          done();
        };
        window.addEventListener("popstate", gone, { capture: true, once: true });
        history.back();
      });
    };
  }, []);
}
