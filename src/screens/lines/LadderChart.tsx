"use client";
import {
  CartesianGrid,
  ErrorBar,
  Label,
  Line,
  LineChart,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from "recharts";
import { kindOf } from "@/core/traits/kinds";
import { fixed } from "@/core/writing/numbers";
import type { YardstickLadder } from "@/views/ladders";
import { percent } from "../common/words";
import { rungName } from "./trueWords";

type Props = { ladder: YardstickLadder; said: string | null; backcrosses: number };

/** A yardstick down the generations: mean and spread, or the share as wanted, with the parents' values. */
export function LadderChart({ ladder, said, backcrosses }: Props) {
  const { yardstick, points, shares, parents } = ladder;
  if (points.length === 0 && shares.length === 0) return null;
  const counted = shares.length > 0;
  const unit = counted ? "share as wanted" : kindOf(yardstick).units(yardstick.unit).axis;
  const named = rungName(ladder, backcrosses);
  // What is said against the lines beside it is drawn against them.
  const levels = ladder.progress?.levels
    ? new Map(ladder.progress.levels.map((one) => [one.generation, one.mean]))
    : null;
  const drawn = levels ? points.filter(({ generation }) => levels.has(generation)) : points;
  const data = counted
    ? shares.map((s) => ({
        name: named(s.generation),
        value: s.wanted / s.count,
        spread: 0,
        count: s.count,
      }))
    : drawn.map((p) => ({
        name: named(p.generation),
        value: levels?.get(p.generation) ?? p.summary.mean,
        spread: p.summary.spread ?? 0,
        count: p.summary.count,
      }));
  const marks = parents.flatMap((p) => {
    const value = counted ? (p.count ? p.wanted / p.count : null) : (p.summary?.mean ?? null);
    return value === null ? [] : [{ line: p.line, value }];
  });
  const all = [
    ...data.flatMap((d) => [d.value - d.spread, d.value + d.spread]),
    ...marks.map((m) => m.value),
    ...(yardstick.target === null ? [] : [yardstick.target]),
  ];
  const [low, high] = counted ? [0, 1] : [Math.min(...all), Math.max(...all)];
  const pad = counted ? 0 : (high - low || 1) * 0.12;
  const words = (value: number) => (counted ? percent(value) : fixed(value, high >= 20 ? 0 : 1));
  const short = (name: string) => (name.length > 18 ? `${name.slice(0, 17)}…` : name);
  const close = marks.length === 2 && Math.abs(marks[0]!.value - marks[1]!.value) < (high - low) * 0.09;
  return (
    <section className="mt-8 max-w-3xl" aria-label={yardstick.name}>
      <h3>
        {yardstick.name} <span className="font-normal text-soft">({unit})</span>
      </h3>
      {said && <p>{said}</p>}
      <div
        className="h-64"
        role="img"
        aria-label={`${yardstick.name}: ${data.map((d) => `${d.name} ${words(d.value)}`).join(", ")}`}
      >
        <ResponsiveContainer width="100%" height="100%">
          <LineChart data={data} margin={{ top: 16, right: 150, bottom: 22, left: 8 }} accessibilityLayer={false}>
            <CartesianGrid stroke="var(--rule)" vertical={false} />
            <XAxis dataKey="name" padding={{ left: 30, right: 40 }} stroke="var(--soft)" tick={{ fill: "var(--ink)" }}>
              <Label value={ladder.by} position="insideBottom" offset={-14} fill="var(--soft)" />
            </XAxis>
            <YAxis
              domain={[low - pad, high + pad]}
              stroke="var(--soft)"
              tick={{ fill: "var(--ink)" }}
              tickFormatter={words}
              width={62}
            >
              <Label
                value={unit}
                angle={-90}
                position="insideLeft"
                fill="var(--soft)"
                style={{ textAnchor: "middle" }}
              />
            </YAxis>
            {marks.map((mark, i) => (
              <ReferenceLine
                key={mark.line}
                y={mark.value}
                stroke="var(--dusk)"
                strokeDasharray={i === 0 ? "6 4" : "2 4"}
              >
                <Label
                  value={`${short(mark.line)} ${words(mark.value)}`}
                  position="right"
                  fill="var(--dusk)"
                  dy={close ? (i === (marks[0]!.value > marks[1]!.value ? 1 : 0) ? 9 : -9) : 0}
                />
              </ReferenceLine>
            ))}
            {yardstick.target !== null && (
              <ReferenceLine y={yardstick.target} stroke="var(--moss)">
                <Label value={`wanted ${yardstick.target}`} position="insideTopLeft" fill="var(--moss)" />
              </ReferenceLine>
            )}
            <Line
              dataKey="value"
              stroke="var(--damson)"
              strokeWidth={2.5}
              dot={{ r: 5, fill: "var(--damson)" }}
              isAnimationActive={false}
              label={{ position: "right", fill: "var(--ink)", offset: 10, formatter: (v) => words(Number(v)) }}
            >
              {!counted && <ErrorBar dataKey="spread" stroke="var(--damson)" strokeWidth={1.5} width={8} />}
            </Line>
          </LineChart>
        </ResponsiveContainer>
      </div>
      <p className="text-sm text-soft">
        {counted
          ? "Share of scored plants that are as wanted"
          : `Mean of scored plants${levels ? ", weather removed by the lines beside it" : ""}; bars are one standard deviation between plants`}
        : {data.map((d) => `${d.name} of ${d.count}`).join(", ")}.
      </p>
    </section>
  );
}
