"use client";
import {
  CartesianGrid,
  ComposedChart,
  Label,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  XAxis,
  YAxis,
} from "recharts";
import { massInWords, type Units } from "@/core/units/units";
import type { TableLotView } from "@/views/seedTable";

type Props = { dry: NonNullable<TableLotView["dry"]>; mass: number; units: Units };

/** Weigh-ins, the likely course of drying, and what the seed comes to. */
export function DryingChart({ dry: { course, weighed, stored }, mass, units }: Props) {
  const top = Math.max(...course.map((point) => point.mass), ...weighed.map((point) => point.mass));
  const low = Math.min(stored ?? mass, mass);
  const pad = (top - low) * 0.12 || 1;
  // Whole grams where there is more than a few of them.
  const to = (grams: number, round: (n: number) => number) => (top - low > 3 ? round(grams) : Number(grams.toFixed(1)));
  const days = course.at(-1)!.day;
  return (
    <figure className="my-3">
      <div
        className="h-48"
        role="img"
        aria-label={`Drying towards ${massInWords(mass, units)}, ${weighed.length} weigh-ins`}
      >
        <ResponsiveContainer width="100%" height="100%">
          <ComposedChart data={course} margin={{ top: 8, right: 90, bottom: 20, left: 4 }} accessibilityLayer={false}>
            <CartesianGrid stroke="var(--rule)" vertical={false} />
            <XAxis
              dataKey="day"
              type="number"
              domain={[0, Math.ceil(days)]}
              stroke="var(--soft)"
              tick={{ fill: "var(--ink)" }}
              tickCount={7}
            >
              <Label value="days since it was spread" position="insideBottom" offset={-10} fill="var(--soft)" />
            </XAxis>
            <YAxis
              domain={[to(Math.max(0, low - pad), Math.floor), to(top + pad, Math.ceil)]}
              stroke="var(--soft)"
              tick={{ fill: "var(--ink)" }}
              tickFormatter={(grams: number) => massInWords(grams, units)}
              width={64}
            />
            <ReferenceLine y={mass} stroke="var(--moss)" strokeDasharray="4 4">
              <Label value="air-dry" position="right" fill="var(--moss)" fontSize={13} />
            </ReferenceLine>
            {stored !== null && (
              <ReferenceLine y={stored} stroke="var(--dusk)" strokeDasharray="2 4">
                <Label value="to close in" position="right" dy={12} fill="var(--dusk)" fontSize={13} />
              </ReferenceLine>
            )}
            <Line dataKey="mass" stroke="var(--quince)" strokeWidth={2.5} dot={false} isAnimationActive={false} />
            <Scatter data={weighed} dataKey="mass" fill="var(--ink)" isAnimationActive={false} />
          </ComposedChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="min-h-10 text-sm text-soft">
        Dots: your weigh-ins. The line is the likely course, no promise.
      </figcaption>
    </figure>
  );
}
