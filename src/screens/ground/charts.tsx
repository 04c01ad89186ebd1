"use client";
import type { ComponentProps } from "react";
import { later } from "@/ui/later";
import { WhenSeen } from "@/ui/WhenSeen";

// Charts are fetched and drawn when they are seen.
const Shift = later(async () => (await import("./ShiftCurve")).ShiftCurve, { ahead: false });
export const ShiftCurve = (props: ComponentProps<typeof Shift>) => (
  <WhenSeen height={180}>
    <Shift {...props} />
  </WhenSeen>
);
