"use client";
import { SunMoon } from "lucide-react";

/** Puts a theme on. */
export function wear(id: string): void {
  document.documentElement.dataset.theme = id;
  // biome-ignore lint/suspicious/noDocumentCookie: the server reads it to draw the first paint in the right theme
  document.cookie = `theme=${id}; path=/; max-age=31536000; samesite=strict`;
}

/** One press between the light of day and the one that spares night eyes. */
export function DawnSwitch() {
  const press = () => wear(document.documentElement.dataset.theme === "dawn" ? "paper" : "dawn");
  return (
    <button type="button" className="leaf flex min-h-12 items-center" aria-label="Light or dark" onClick={press}>
      <SunMoon aria-hidden size={22} />
    </button>
  );
}
