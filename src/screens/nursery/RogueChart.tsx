"use client";
import { Area, CartesianGrid, ComposedChart, Label, Line, ResponsiveContainer, Scatter, XAxis, YAxis } from "recharts";
import { percent } from "../common/words";

type Props = {
  seen: { season: number; out: number; grown: number }[];
  /** The season that the forecast begins in. */
  from: number;
  likely: number[];
  low: number[];
  high: number[];
};

/** Off-types year by year: what was seen, and what is to come with its band. */
export function RogueChart({ seen, from, likely, low, high }: Props) {
  const ahead = likely.map((share, i) => ({ season: from + i, share, band: [low[i]!, high[i]!] }));
  const before = seen
    .filter(({ grown, season }) => grown > 0 && season < from)
    .map(({ season, out, grown }) => ({ season, seen: out / grown }));
  const start = seen.find(({ season }) => season === from)!;
  const data = [...before, { ...ahead[0]!, seen: start.out / start.grown }, ...ahead.slice(1)];
  return (
    <div
      className="h-64"
      role="img"
      aria-label={`Off-types: seen ${before.map((b) => `${b.season} ${percent(b.seen)}`).join(", ")}; forecast ${ahead.map((a) => `${a.season} ${percent(a.share)}`).join(", ")}`}
    >
      <ResponsiveContainer width="100%" height="100%">
        <ComposedChart data={data} margin={{ top: 14, right: 16, bottom: 22, left: 0 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--rule)" vertical={false} />
          <XAxis dataKey="season" stroke="var(--soft)" tick={{ fill: "var(--ink)" }}>
            <Label value="season" position="insideBottom" offset={-14} fill="var(--soft)" />
          </XAxis>
          <YAxis tickFormatter={percent} stroke="var(--soft)" tick={{ fill: "var(--ink)" }} width={52} />
          <Area dataKey="band" stroke="none" fill="var(--dusk)" fillOpacity={0.2} isAnimationActive={false} />
          <Line dataKey="share" stroke="var(--dusk)" strokeWidth={2} dot={false} isAnimationActive={false} />
          <Scatter dataKey="seen" fill="var(--damson)" isAnimationActive={false} />
        </ComposedChart>
      </ResponsiveContainer>
      <p className="sr-only">Dots are what was seen, the line is the forecast.</p>
    </div>
  );
}
