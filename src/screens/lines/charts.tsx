"use client";
import { type ComponentProps, lazy } from "react";
import { WhenSeen } from "@/ui/WhenSeen";

// Charts are fetched and drawn when they are seen.
const Ladder = lazy(async () => ({ default: (await import("./LadderChart")).LadderChart }));
export const LadderChart = (props: ComponentProps<typeof Ladder>) => (
  <WhenSeen height={320}>
    <Ladder {...props} />
  </WhenSeen>
);
