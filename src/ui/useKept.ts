"use client";
import { useEffect, useState } from "react";

/** State that a reload keeps, under a name of its own, until it is cleared. */
export function useKept<T>(name: string, initial: T): [T, (value: T) => void, () => void] {
  const key = `kept:${name}`;
  const [value, setValue] = useState(initial);
  useEffect(() => {
    try {
      const kept = sessionStorage.getItem(key);
      if (kept) setValue(JSON.parse(kept) as T);
    } catch {
      // What can't be read was not kept.
    }
  }, [key]);
  const keep = (next: T) => {
    setValue(next);
    sessionStorage.setItem(key, JSON.stringify(next));
  };
  const clear = () => {
    setValue(initial);
    sessionStorage.removeItem(key);
  };
  return [value, keep, clear];
}
