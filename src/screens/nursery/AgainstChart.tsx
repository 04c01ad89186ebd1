"use client";
import { CartesianGrid, Label, ResponsiveContainer, Scatter, ScatterChart, XAxis, YAxis } from "recharts";
import type { Comparison } from "@/views/compare";
import { unitOf } from "./yardstickWords";

type Props = NonNullable<Comparison["against"]>;

/** Two yardsticks against each other, a dot a plant, the kept ones filled. */
export function AgainstChart({ x, y, points }: Props) {
  const named = (of: Props["x"]) => (unitOf(of) ? `${of.name}, ${unitOf(of)}` : of.name);
  const axis = { type: "number" as const, stroke: "var(--soft)", tick: { fill: "var(--ink)" } };
  return (
    <div className="h-80" role="img" aria-label={`${named(y)} against ${named(x)}: ${points.length} plants`}>
      <ResponsiveContainer width="100%" height="100%">
        <ScatterChart margin={{ top: 12, right: 24, bottom: 24, left: 4 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--rule)" />
          <XAxis {...axis} domain={["auto", "auto"]} dataKey="x">
            <Label value={named(x)} position="insideBottom" offset={-16} fill="var(--soft)" />
          </XAxis>
          <YAxis {...axis} domain={["auto", "auto"]} dataKey="y" width={56}>
            <Label
              value={named(y)}
              angle={-90}
              position="insideLeft"
              style={{ textAnchor: "middle" }}
              fill="var(--soft)"
            />
          </YAxis>
          <Scatter
            data={points.filter((p) => !p.kept)}
            fill="var(--leaf)"
            stroke="var(--damson)"
            isAnimationActive={false}
          />
          <Scatter data={points.filter((p) => p.kept)} fill="var(--damson)" isAnimationActive={false} />
        </ScatterChart>
      </ResponsiveContainer>
    </div>
  );
}
