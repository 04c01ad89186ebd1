"use client";
import { useMemo, useSyncExternalStore } from "react";
import { type Kept, type Outbox, outbox, watchOutbox } from "./outbox";

const NOTHING: Outbox = { waiting: [], aside: [], away: false };

/** What is kept on this device, drawn anew when it changes. */
export const useOutbox = (): Outbox => useSyncExternalStore(watchOutbox, outbox, () => NOTHING);

/**
 * Presses that no server has answered yet, and that are done as far as the person goes. One that is on its way may still be
 * refused, and what it was about must be there to say so.
 */
export function useUnanswered(): Kept[] {
  const { waiting, away } = useOutbox();
  return useMemo(() => waiting.filter(({ failed }) => away || failed > 0), [waiting, away]);
}
