"use client";
import { type ReactNode, useEffect } from "react";

declare global {
  interface Window {
    earlyPresses?: Event[];
    keepPress?: (press: Event) => void;
  }
}

/** Presses that this page answered itself. */
const answered = new WeakSet<Event>();

/** The page's body. On a slow phone it can be read long before it can answer: what is pressed meanwhile is done as soon as it can. */
export function Body({ children }: { children: ReactNode }) {
  useEffect(() => {
    const { earlyPresses = [], keepPress } = window;
    if (keepPress) removeEventListener("click", keepPress, true);
    const buttons = earlyPresses
      .filter((press) => !answered.has(press))
      .map(({ target }) => (target as Element).closest<HTMLButtonElement>("button[type=button]"));
    // Pressed again because nothing happened, it is meant once.
    for (const button of new Set(buttons)) button?.click();
    delete window.earlyPresses;
  }, []);
  return <body onClickCapture={({ nativeEvent }) => answered.add(nativeEvent)}>{children}</body>;
}
