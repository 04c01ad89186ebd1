"use client";
import { useEffect, useState, useSyncExternalStore } from "react";
import { later, QUIET } from "./later";
import { Meanwhile } from "./Meanwhile";
import { hearSaid, notShown, type Said } from "./say";

const ToastsShown = later(async () => (await import("./ToastsShown")).ToastsShown);

const NOTHING: Said[] = [];

/** Messages that come and go; plain, until what shows them is fetched. */
export function Toasts() {
  const waiting = useSyncExternalStore(hearSaid, notShown, () => NOTHING);
  const [any, setAny] = useState(false);
  if (waiting.length > 0 && !any) setAny(true);
  // A reader of the screen tells what comes into a place that was there before.
  useEffect(() => {
    const timer = setTimeout(() => setAny(true), QUIET);
    return () => clearTimeout(timer);
  }, []);
  if (!any) return null;
  const plain = (
    <div role="status" className="fixed bottom-18 right-4 z-50 max-w-sm bg-ink px-4 py-2 text-paper empty:hidden">
      {waiting.map(({ message }) => (
        <p key={message}>{message}</p>
      ))}
    </div>
  );
  return (
    <Meanwhile fallback={plain}>
      <ToastsShown />
    </Meanwhile>
  );
}
