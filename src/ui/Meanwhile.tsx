"use client";
import { type ReactNode, Suspense, useState, useSyncExternalStore } from "react";
import { came, onCame } from "./later";

type Props = { fallback?: ReactNode; children: ReactNode };

const never = () => () => {};
const none = () => 0;

/**
 * Something in the place of a piece that is fetched, until it is there. By itself React shows what came no sooner than
 * 300 ms after what stood in its place, each piece in another anew; who pressed for it is not kept waiting.
 */
export function Meanwhile({ fallback, children }: Props) {
  // What came with the page from the server stands in its place already: there is nothing to hurry.
  const [early] = useState(() => typeof window === "undefined" || "earlyPresses" in window);
  useSyncExternalStore(early ? never : onCame, early ? none : came, none);
  return <Suspense fallback={fallback}>{children}</Suspense>;
}
