"use client";
import { type ComponentProps, lazy } from "react";
import { WhenSeen } from "@/ui/WhenSeen";

// Charts are fetched and drawn when they are seen.
const Factor = lazy(async () => ({ default: (await import("./FactorChart")).FactorChart }));
export const FactorChart = (props: ComponentProps<typeof Factor>) => (
  <WhenSeen height={180}>
    <Factor {...props} />
  </WhenSeen>
);
