"use client";
import type { Kind } from "@/core/custody/code";
import { Palette } from "@/ui/Palette";
import { PLACES } from "./places";
import { Tag } from "./Tag";

export function Find() {
  return <Palette places={[...PLACES]} badge={(hit) => <Tag kind={hit.kind as Kind} code={hit.code} small />} />;
}
