"use client";
import type { ComponentProps } from "react";
import { later } from "@/ui/later";
import { WhenSeen } from "@/ui/WhenSeen";

// Charts are fetched and drawn when they are seen.
const Drying = later(async () => (await import("./DryingChart")).DryingChart, { ahead: false });
export const DryingChart = (props: ComponentProps<typeof Drying>) => (
  <WhenSeen height={260}>
    <Drying {...props} />
  </WhenSeen>
);
const Life = later(async () => (await import("./LifeChart")).LifeChart, { ahead: false });
export const LifeChart = (props: ComponentProps<typeof Life>) => (
  <WhenSeen height={320}>
    <Life {...props} />
  </WhenSeen>
);
