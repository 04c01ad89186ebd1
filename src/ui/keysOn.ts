"use client";
import { useEffect, useState } from "react";

export type Place = { href: string; label: string; key: string };

const KEPT = "single-keys";
const CHANGED = "single-keys-changed";

const isOn = () => {
  try {
    return localStorage.getItem(KEPT) !== "off";
  } catch {
    // A device that keeps nothing has its keys.
    return true;
  }
};

/** Whether keys pressed by themselves do something on this device; who dictates, or presses by accident, turns them off. */
export function useKeysOn(): [boolean, (on: boolean) => void] {
  const [on, setOn] = useState(true);
  useEffect(() => {
    const look = () => setOn(isOn());
    look();
    window.addEventListener(CHANGED, look);
    return () => window.removeEventListener(CHANGED, look);
  }, []);
  return [
    on,
    (next) => {
      localStorage.setItem(KEPT, next ? "on" : "off");
      window.dispatchEvent(new Event(CHANGED));
    },
  ];
}
