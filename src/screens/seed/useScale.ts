"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import { type ScaleState, scaleAtLast, scaleState } from "@/core/seed/scale";

/** A scale that has sent nothing for so long has stopped, milliseconds. */
const SILENT_AFTER = 2500;
const KEPT_LINES = 40;

export type ScaleReading = { state: ScaleState; trouble: string | null };

const OFF: ScaleReading = { state: { kind: "silent" }, trouble: null };

/**
 * Reads lines of a scale as they come, from wherever: a serial line, or the simulated scale. A weight is only offered
 * while the last lines agree; whatever the device does, nothing is recorded by itself.
 */
export function useScale() {
  const [reading, setReading] = useState(OFF);
  const stop = useRef<(() => void) | null>(null);
  useEffect(() => () => stop.current?.(), []);

  const listen = useCallback(async (source: ReadableStream<Uint8Array>) => {
    stop.current?.();
    const reader = source.getReader();
    const decoder = new TextDecoder();
    let rest = "";
    let lines: string[] = [];
    let last = Date.now();
    let left = false;
    const told = (trouble: string | null) =>
      setReading({ state: trouble ? { kind: "silent" } : scaleState(lines), trouble });
    const watch = setInterval(() => {
      if (Date.now() - last > SILENT_AFTER) {
        lines = [];
        told("The scale has stopped sending. Nothing was taken; look at its cable.");
      }
    }, 500);
    stop.current = () => {
      left = true;
      clearInterval(watch);
      void reader.cancel().catch(() => undefined);
    };
    setReading({ state: { kind: "silent" }, trouble: null });
    try {
      for (;;) {
        const { done, value } = await reader.read();
        if (done) break;
        const parts = (rest + decoder.decode(value, { stream: true })).split(/\r?\n/);
        rest = (parts.pop() ?? "").slice(-200);
        if (parts.length === 0) continue;
        last = Date.now();
        lines = [...lines, ...parts.filter(Boolean)].slice(-KEPT_LINES);
        told(null);
      }
      // Another one is listened to.
      if (left) return;
      // A scale that was switched off keeps showing what it last settled on.
      const state = scaleAtLast(lines);
      if (state.kind === "settled") setReading({ state, trouble: null });
      else told("The scale stopped before it lay still. Weigh once more.");
    } catch {
      setReading({
        state: { kind: "silent" },
        trouble: "The scale was pulled out. Nothing was taken; plug it in again.",
      });
    } finally {
      clearInterval(watch);
    }
  }, []);
  return { reading, listen };
}
