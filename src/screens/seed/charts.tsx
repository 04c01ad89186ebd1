"use client";
import { type ComponentProps, lazy } from "react";
import { WhenSeen } from "@/ui/WhenSeen";

// Charts are fetched and drawn when they are seen.
const Drying = lazy(async () => ({ default: (await import("./DryingChart")).DryingChart }));
export const DryingChart = (props: ComponentProps<typeof Drying>) => (
  <WhenSeen height={260}>
    <Drying {...props} />
  </WhenSeen>
);
const Life = lazy(async () => ({ default: (await import("./LifeChart")).LifeChart }));
export const LifeChart = (props: ComponentProps<typeof Life>) => (
  <WhenSeen height={320}>
    <Life {...props} />
  </WhenSeen>
);
