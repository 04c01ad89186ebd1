"use client";
import type { ComponentProps } from "react";
import { later } from "@/ui/later";
import { WhenSeen } from "@/ui/WhenSeen";

// Charts are fetched and drawn when they are seen.
const Factor = later(async () => (await import("./FactorChart")).FactorChart, { ahead: false });
/** A group's row, the axis below and the title above, px. */
const [ROW, AXIS, TITLE] = [34, 56, 20];
export function FactorChart({ factor }: Omit<ComponentProps<typeof Factor>, "height">) {
  const height = factor.groups.length * ROW + AXIS;
  return (
    <WhenSeen height={height + TITLE}>
      <Factor factor={factor} height={height} />
    </WhenSeen>
  );
}
