"use client";
import type { ComponentProps } from "react";
import { later } from "@/ui/later";
import { WhenSeen } from "@/ui/WhenSeen";

// Charts are fetched and drawn when they are seen.
const Ladder = later(async () => (await import("./LadderChart")).LadderChart, { ahead: false });
export const LadderChart = (props: ComponentProps<typeof Ladder>) => (
  <WhenSeen height={320}>
    <Ladder {...props} />
  </WhenSeen>
);
