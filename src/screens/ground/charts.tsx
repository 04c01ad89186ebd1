"use client";
import { type ComponentProps, lazy } from "react";
import { WhenSeen } from "@/ui/WhenSeen";

// Charts are fetched and drawn when they are seen.
const Shift = lazy(async () => ({ default: (await import("./ShiftCurve")).ShiftCurve }));
export const ShiftCurve = (props: ComponentProps<typeof Shift>) => (
  <WhenSeen height={180}>
    <Shift {...props} />
  </WhenSeen>
);
