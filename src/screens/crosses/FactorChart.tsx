"use client";
import { CartesianGrid, ErrorBar, ResponsiveContainer, Scatter, ScatterChart, XAxis, YAxis } from "recharts";
import type { Factor } from "@/core/pollination/whatWorks";
import { percent, reckonedPercent } from "../common/words";

/** The share that set in each group, with the range that holds nine tenths of what it may be. */
export function FactorChart({ factor: { title, groups }, height }: { factor: Factor; height: number }) {
  const data = groups.map(({ label, flowers, set, rate, low, high }) => ({
    label: `${label}: ${set} of ${flowers}`,
    rate,
    range: [rate - low, high - rate],
  }));
  const words = groups.map(
    (g) => `${g.label}: ${g.set} of ${g.flowers} set, ${reckonedPercent(g.low)} to ${reckonedPercent(g.high)}`,
  );
  return (
    <section aria-label={title}>
      <h3>{title}</h3>
      <div role="img" aria-label={`${title}. ${words.join("; ")}`} style={{ height }}>
        <ResponsiveContainer width="100%" height="100%">
          <ScatterChart margin={{ top: 4, right: 16, bottom: 18, left: 4 }} accessibilityLayer={false}>
            <CartesianGrid stroke="var(--rule)" horizontal={false} />
            <XAxis
              type="number"
              dataKey="rate"
              domain={[0, 1]}
              ticks={[0, 0.25, 0.5, 0.75, 1]}
              tickFormatter={percent}
              stroke="var(--soft)"
              tick={{ fill: "var(--ink)", fontSize: 13 }}
              label={{
                value: "share of flowers that set",
                position: "insideBottom",
                dy: 14,
                fill: "var(--soft)",
                fontSize: 13,
              }}
            />
            <YAxis
              type="category"
              dataKey="label"
              width={150}
              stroke="var(--soft)"
              tick={{ fill: "var(--ink)", fontSize: 13 }}
              reversed
              allowDuplicatedCategory={false}
            />
            <Scatter data={data} fill="var(--ink)" isAnimationActive={false}>
              <ErrorBar
                dataKey="range"
                direction="x"
                stroke="var(--moss)"
                strokeWidth={3}
                width={7}
                isAnimationActive={false}
              />
            </Scatter>
          </ScatterChart>
        </ResponsiveContainer>
      </div>
    </section>
  );
}
