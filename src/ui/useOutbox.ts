"use client";
import { useSyncExternalStore } from "react";
import { type Outbox, outbox, watchOutbox } from "./outbox";

const NOTHING: Outbox = { waiting: [], aside: [], away: false };

/** What is kept on this device, drawn anew when it changes. */
export const useOutbox = (): Outbox => useSyncExternalStore(watchOutbox, outbox, () => NOTHING);
