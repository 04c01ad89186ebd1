"use client";
import { Area, CartesianGrid, ComposedChart, Line, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from "recharts";
import type { Remedy } from "@/core/isolation/remedies/remedy";
import { figure } from "@/core/writing/numbers";

const FLOOR = 0.00001;

/** The share by days of shift, on a scale of tens, over the chance that seed still ripens. */
export function ShiftCurve({ curve, limit }: { curve: NonNullable<Remedy["curve"]>; limit: number }) {
  const points = curve.map((p) => ({ ...p, share: Math.max(FLOOR, p.share) }));
  return (
    <figure className="mt-2" role="img" aria-label="Share of strange fathers and chance of ripening by days of shift">
      <ResponsiveContainer width="100%" height={150}>
        <ComposedChart data={points} margin={{ left: 4, right: 8, top: 8, bottom: 18 }}>
          <CartesianGrid stroke="var(--rule)" vertical={false} />
          <XAxis
            dataKey="shift"
            type="number"
            domain={["dataMin", "dataMax"]}
            tick={{ fill: "var(--soft)", fontSize: 12 }}
            label={{ value: "days of shift", position: "insideBottom", offset: -12, fill: "var(--soft)", fontSize: 12 }}
          />
          <YAxis
            yAxisId="share"
            scale="log"
            domain={[FLOOR, 1]}
            ticks={[0.0001, 0.001, 0.01, 0.1, 1]}
            tickFormatter={(share: number) => (share === 1 ? "all" : `1 in ${figure(1 / share)}`)}
            tick={{ fill: "var(--soft)", fontSize: 11 }}
            width={84}
          />
          <YAxis yAxisId="ripe" orientation="right" domain={[0, 1]} hide />
          <Area
            yAxisId="ripe"
            dataKey="ripens"
            stroke="none"
            fill="var(--moss)"
            fillOpacity={0.16}
            isAnimationActive={false}
          />
          <Line
            yAxisId="share"
            dataKey="share"
            stroke="var(--dusk)"
            strokeWidth={2}
            dot={false}
            isAnimationActive={false}
          />
          <ReferenceLine yAxisId="share" y={limit} stroke="var(--rust)" strokeDasharray="4 3" />
        </ComposedChart>
      </ResponsiveContainer>
      <figcaption className="text-xs text-soft">
        Line: share of strange fathers. Dashed: what you take. Green: chance that its seed ripens before frost.
      </figcaption>
    </figure>
  );
}
