"use client";
import {
  Area,
  CartesianGrid,
  ComposedChart,
  ErrorBar,
  Label,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  XAxis,
  YAxis,
} from "recharts";
import { germinationInterval } from "@/core/seed/germination";
import type { LifeCurve } from "@/views/drawer";

type Props = { curve: LifeCurve; limit: number; gathered: string };

const hundred = (share: number) => Math.round(share * 1000) / 10;

/** What comes up of a lot over the years, with its range of nine tenths, the limit, today, and each test with its own range. */
export function LifeChart({ curve, limit, gathered }: Props) {
  const { points, age, tests } = curve;
  const born = Number(gathered.slice(0, 4)) + (Number(gathered.slice(5, 7)) - 0.5) / 12;
  const data = points.map(({ year, low, likely, high }) => ({
    at: born + year,
    likely: hundred(likely),
    range: [hundred(low), hundred(high)],
  }));
  const dots = tests.map(({ year, up, sown }) => {
    const { low, high } = germinationInterval({ germinated: up, sown, confidence: 0.9 });
    const share = up / sown;
    return { at: born + year, share: hundred(share), off: [hundred(share - low), hundred(high - share)] };
  });
  const [first, last] = [Math.floor(data[0]!.at), Math.ceil(data.at(-1)!.at)];
  const ticks = Array.from({ length: last - first + 1 }, (_, i) => first + i).filter(
    (year) => (year - first) % Math.ceil((last - first) / 8) === 0,
  );
  return (
    <figure className="my-4">
      <div className="h-64">
        <ResponsiveContainer width="100%" height="100%">
          <ComposedChart data={data} margin={{ top: 12, right: 16, bottom: 20, left: 4 }}>
            <CartesianGrid stroke="var(--rule)" vertical={false} />
            <XAxis
              dataKey="at"
              type="number"
              domain={[first, last]}
              ticks={ticks}
              stroke="var(--soft)"
              allowDataOverflow
            >
              <Label value="year" position="insideBottom" offset={-10} fill="var(--soft)" />
            </XAxis>
            <YAxis domain={[0, 100]} ticks={[0, 25, 50, 75, 100]} stroke="var(--soft)" width={46}>
              <Label value="of 100 come up" angle={-90} position="insideLeft" dy={46} fill="var(--soft)" />
            </YAxis>
            <Area dataKey="range" stroke="none" fill="var(--moss)" fillOpacity={0.16} isAnimationActive={false} />
            <Line dataKey="likely" stroke="var(--moss)" strokeWidth={2.5} dot={false} isAnimationActive={false} />
            <ReferenceLine y={limit * 100} stroke="var(--rust)" strokeDasharray="3 5">
              <Label value="you want" position="insideTopRight" fill="var(--rust)" fontSize={13} />
            </ReferenceLine>
            <ReferenceLine x={born + age} stroke="var(--damson)" strokeWidth={2}>
              <Label value="today" position="insideTopLeft" fill="var(--damson)" fontSize={13} />
            </ReferenceLine>
            <Scatter data={dots} dataKey="share" fill="var(--ink)" isAnimationActive={false}>
              <ErrorBar dataKey="off" width={6} stroke="var(--ink)" direction="y" />
            </Scatter>
          </ComposedChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="min-h-10 text-sm text-soft">
        Shaded: nine chances in ten. Dots: your own tests, each with its range. An estimate, no promise.
      </figcaption>
    </figure>
  );
}
