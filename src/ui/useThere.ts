"use client";
import { useEffect, useState } from "react";

/** Whether the page stands in the browser: what lies below the first screen can wait until then. */
export function useThere(): boolean {
  const [there, setThere] = useState(false);
  useEffect(() => setThere(true), []);
  return there;
}
