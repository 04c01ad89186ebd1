"use client";
import { useEffect, useState } from "react";

/** Whether the page stands in the browser and listens. */
export function useThere(): boolean {
  const [there, setThere] = useState(false);
  useEffect(() => setThere(true), []);
  return there;
}

/** The first of a list, and all of it once the page is there. */
export function useGrowing<T>(items: T[], first: number): T[] {
  return useThere() ? items : items.slice(0, first);
}
