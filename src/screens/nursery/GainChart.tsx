"use client";
import { CartesianGrid, Label, Line, LineChart, ReferenceDot, ResponsiveContainer, XAxis, YAxis } from "recharts";
import { atKinship } from "@/core/selection/contributions";
import { fixed } from "@/core/writing/numbers";
import type { FamilyWorth } from "@/views/worth";
import { percent } from "../common/words";

/** Points that the frontier is drawn through. */
const DRAWN = 60;

/** From a round figure to a round one. */
const ROUND: ["auto", "auto"] = ["auto", "auto"];

type Props = { choice: FamilyWorth["choice"]; kept: number };

/** Gain against narrowing: the best so many, the most that could be had for the same narrowing, and where the choice stands. */
export function GainChart({ choice: { steps, frontier }, kept }: Props) {
  const ways = steps.map(({ kinship, index }) => ({ kinship, gain: index.likely }));
  const [least, most] = [frontier[0]?.kinship ?? 0, frontier.at(-1)?.kinship ?? 0];
  const best =
    frontier.length > 0
      ? Array.from({ length: DRAWN + 1 }, (_, i) => {
          const { kinship, gain } = atKinship(frontier, least + ((most - least) * i) / DRAWN);
          return { kinship, gain };
        })
      : [];
  const now = ways[kept - 1]!;
  return (
    <div
      className="h-72"
      role="img"
      aria-label={`Keeping the best ${kept}: gain ${fixed(now.gain, 2)} standard deviations at an inbreeding of ${percent(now.kinship)}`}
    >
      <ResponsiveContainer width="100%" height="100%">
        <LineChart margin={{ top: 12, right: 24, bottom: 24, left: 4 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--rule)" />
          <XAxis
            type="number"
            dataKey="kinship"
            domain={ROUND}
            tickFormatter={percent}
            stroke="var(--soft)"
            tick={{ fill: "var(--ink)" }}
          >
            <Label
              value="inbreeding of seed they set among themselves"
              position="insideBottom"
              offset={-16}
              fill="var(--soft)"
            />
          </XAxis>
          <YAxis
            type="number"
            dataKey="gain"
            domain={ROUND}
            tickFormatter={(value: number) => fixed(value, 2)}
            stroke="var(--soft)"
            tick={{ fill: "var(--ink)" }}
            width={68}
          >
            <Label
              value="gain, standard deviations"
              angle={-90}
              position="insideLeft"
              style={{ textAnchor: "middle" }}
              fill="var(--soft)"
            />
          </YAxis>
          <Line data={best} dataKey="gain" stroke="var(--dusk)" strokeWidth={2} dot={false} isAnimationActive={false} />
          <Line
            data={ways}
            dataKey="gain"
            stroke="var(--damson)"
            strokeWidth={1.5}
            dot={{ r: 2 }}
            isAnimationActive={false}
          />
          <ReferenceDot x={now.kinship} y={now.gain} r={7} fill="var(--damson)" stroke="var(--paper)">
            <Label value={`best ${kept}`} position="right" offset={12} fill="var(--ink)" />
          </ReferenceDot>
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}
