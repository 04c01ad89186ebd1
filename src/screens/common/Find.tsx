"use client";
import type { Kind } from "@/core/custody/code";
import { Palette } from "@/ui/Palette";
import { ACTS } from "./acts";
import { PLACES } from "./places";
import { Tag } from "./Tag";

type Props = { open: "find" | "keys" | null; onOpen: (what: "find" | "keys" | null) => void };

export const Find = (props: Props) => (
  <Palette
    {...props}
    places={[...PLACES]}
    acts={ACTS}
    badge={(hit) => <Tag kind={hit.kind as Kind} code={hit.code} small />}
  />
);
