"use client";
import type { ReactNode } from "react";
import { type Locale, writeAs } from "@/core/writing/locale";

/** All that stands within is written as the locale does, on the server and in the page. */
export function Written({ as, children }: { as: Locale; children: ReactNode }) {
  writeAs(as);
  return children;
}
