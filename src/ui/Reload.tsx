"use client";
import type { ReactNode } from "react";

/** Asks for the page once more. */
export const Reload = ({ children }: { children: ReactNode }) => (
  <button type="button" className="leaf leaf-plain" onClick={() => location.reload()}>
    {children}
  </button>
);
