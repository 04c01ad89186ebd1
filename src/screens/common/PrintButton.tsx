"use client";
import type { ReactNode } from "react";

export const PrintButton = ({ children }: { children: ReactNode }) => (
  <button type="button" className="leaf leaf-strong" onClick={() => window.print()}>
    {children}
  </button>
);
