"use client";
import type { ComponentProps } from "react";
import { later } from "@/ui/later";
import { WhenSeen } from "@/ui/WhenSeen";

// Charts are fetched and drawn when they are seen.
const Drying = later(async () => (await import("./DryingChart")).DryingChart, { ahead: false });
export const DryingChart = (props: ComponentProps<typeof Drying>) => (
  <WhenSeen height={248}>
    <Drying {...props} />
  </WhenSeen>
);
const Life = later(async () => (await import("./LifeChart")).LifeChart, { ahead: false });
export const LifeChart = (props: ComponentProps<typeof Life>) => (
  <WhenSeen height={312}>
    <Life {...props} />
  </WhenSeen>
);

/** Reckoned with as it is typed, by more than a page of seed needs to be read. */
const HowMany = later(async () => (await import("./HowMany")).HowMany);
export const HowManySeen = (props: ComponentProps<typeof HowMany>) => (
  <WhenSeen height={750}>
    <HowMany {...props} />
  </WhenSeen>
);
