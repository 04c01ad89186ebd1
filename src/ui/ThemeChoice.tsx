"use client";
import { SunMoon } from "lucide-react";
import { ToggleGroup } from "radix-ui";
import { useState } from "react";

const THEMES = [
  { id: "paper", label: "Paper" },
  { id: "sun", label: "Bright sun" },
  { id: "dawn", label: "Before dawn" },
];

function wear(id: string): void {
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

export function ThemeChoice({ theme }: { theme: string }) {
  const [chosen, setChosen] = useState(theme);
  const choose = (id: string) => {
    if (!id) return;
    setChosen(id);
    wear(id);
  };
  return (
    <ToggleGroup.Root
      type="single"
      value={chosen}
      onValueChange={choose}
      aria-label="Theme"
      className="flex flex-wrap gap-2"
    >
      {THEMES.map((t) => (
        <ToggleGroup.Item
          key={t.id}
          value={t.id}
          className="leaf data-[state=on]:bg-damson data-[state=on]:text-on-damson"
        >
          {t.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
