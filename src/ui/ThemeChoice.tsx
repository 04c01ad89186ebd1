"use client";
import { useState } from "react";
import { wear } from "./DawnSwitch";
import { OneOf } from "./OneOf";

const THEMES = [
  ["paper", "Paper"],
  ["sun", "Bright sun"],
  ["dawn", "Before dawn"],
] as const;

export function ThemeChoice({ theme }: { theme: string }) {
  const [chosen, setChosen] = useState(theme);
  const choose = (id: string) => {
    setChosen(id);
    wear(id);
  };
  return <OneOf label="Theme" value={chosen} choices={THEMES} onChange={choose} className="flex flex-wrap gap-2" />;
}
