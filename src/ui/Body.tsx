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

const buttonOf = ({ target }: Event) => (target as Element).closest<HTMLButtonElement>("button[type=button]");

/** The page's body. On a slow phone it can be read long before it can answer: what is pressed meanwhile is done as soon as it can. */
export function Body({ children }: { children: ReactNode }) {
  useEffect(() => {
    const { earlyPresses = [], keepPress } = window;
    if (keepPress) removeEventListener("click", keepPress, true);
    // A press can be what wakes the page, in its very midst: that one is still on its way to its button.
    const isHeard = (press: Event) => press.eventPhase !== Event.NONE || answered.has(press);
    const heard = new Set(earlyPresses.filter(isHeard).map(buttonOf));
    // Pressed again because nothing happened, it is meant once.
    for (const button of new Set(earlyPresses.map(buttonOf))) if (!heard.has(button)) button?.click();
    delete window.earlyPresses;
  }, []);
  return <body onClickCapture={({ nativeEvent }) => answered.add(nativeEvent)}>{children}</body>;
}
