"use client";
import type { ComponentProps } from "react";
import { later } from "@/ui/later";
import { WhenSeen } from "@/ui/WhenSeen";

// Charts are fetched and drawn when they are seen.
const Factor = later(async () => (await import("./FactorChart")).FactorChart, { ahead: false });
export const FactorChart = (props: ComponentProps<typeof Factor>) => (
  <WhenSeen height={180}>
    <Factor {...props} />
  </WhenSeen>
);
