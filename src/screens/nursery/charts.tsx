"use client";
import { type ComponentProps, lazy } from "react";
import { WhenSeen } from "@/ui/WhenSeen";

// Charts are fetched and drawn when they are seen.
const Gain = lazy(async () => ({ default: (await import("./GainChart")).GainChart }));
export const GainChart = (props: ComponentProps<typeof Gain>) => (
  <WhenSeen height={288}>
    <Gain {...props} />
  </WhenSeen>
);
const Against = lazy(async () => ({ default: (await import("./AgainstChart")).AgainstChart }));
export const AgainstChart = (props: ComponentProps<typeof Against>) => (
  <WhenSeen height={320}>
    <Against {...props} />
  </WhenSeen>
);
const Rogue = lazy(async () => ({ default: (await import("./RogueChart")).RogueChart }));
export const RogueChart = (props: ComponentProps<typeof Rogue>) => (
  <WhenSeen height={256}>
    <Rogue {...props} />
  </WhenSeen>
);
