"use client";
import type { ComponentProps } from "react";
import { later } from "@/ui/later";
import { WhenSeen } from "@/ui/WhenSeen";

// Charts are fetched and drawn when they are seen.
const Gain = later(async () => (await import("./GainChart")).GainChart, { ahead: false });
export const GainChart = (props: ComponentProps<typeof Gain>) => (
  <WhenSeen height={288}>
    <Gain {...props} />
  </WhenSeen>
);
const Against = later(async () => (await import("./AgainstChart")).AgainstChart, { ahead: false });
export const AgainstChart = (props: ComponentProps<typeof Against>) => (
  <WhenSeen height={320}>
    <Against {...props} />
  </WhenSeen>
);
const Rogue = later(async () => (await import("./RogueChart")).RogueChart, { ahead: false });
export const RogueChart = (props: ComponentProps<typeof Rogue>) => (
  <WhenSeen height={256}>
    <Rogue {...props} />
  </WhenSeen>
);
