import { swarm } from "@/core/selection/correlation";
import { fixed } from "@/core/writing/numbers";
import type { Compared, Group } from "@/views/compare";

/** A row's height, and how far dots stand from each other, px; along the line a dot takes so much of a hundred. */
const ROW = 44;
const DOT = 7;
const SHARE = 1.7;
/** Steps off the line that a row has room for. */
const STEPS = 2;

const TONES: Record<Group["kind"], string> = {
  family: "var(--damson)",
  sister: "var(--soft)",
  parent: "var(--dusk)",
  before: "var(--withered)",
};

/** Every plant a dot, a row a group, on one scale, with the mean of each and what is wanted. */
export function Strip({ yardstick, groups }: Compared) {
  const { target, low, high, floor, ceiling, wanted } = yardstick;
  const all = groups.flatMap(({ values }) => values);
  const bounds = [
    wanted === "target" ? target : null,
    ...(wanted === "range" ? [low, high] : []),
    floor,
    ceiling,
  ].flatMap((bound) => bound ?? []);
  const [least, most] = [Math.min(...all, ...bounds), Math.max(...all, ...bounds)];
  const x = (value: number) => 3 + ((value - least) / (most - least || 1)) * 94;
  const digits = most - least >= 20 ? 0 : most - least >= 2 ? 1 : 2;
  return (
    <div className="max-w-3xl">
      {groups.map((group) => (
        <div
          key={`${group.kind} ${group.name}`}
          className="grid grid-cols-[1fr_3.5rem] items-center sm:grid-cols-[11rem_1fr_3.5rem]"
        >
          <span className={`min-w-0 truncate max-sm:col-span-2 ${group.kind === "family" ? "font-bold" : ""}`}>
            {group.name}
          </span>
          <svg
            role="img"
            aria-label={`${group.name}: ${group.values.length} plants, mean ${fixed(group.summary!.mean, digits)}, ${fixed(group.summary!.low, digits)} to ${fixed(group.summary!.high, digits)}`}
            className="block w-full"
            height={ROW}
          >
            {wanted === "range" && low !== null && high !== null && (
              <rect
                x={`${x(low)}%`}
                width={`${x(high) - x(low)}%`}
                height={ROW}
                fill="var(--moss)"
                fillOpacity="0.18"
              />
            )}
            {wanted === "target" && target !== null && <Upright at={x(target)} stroke="var(--moss)" width={3} />}
            {floor !== null && <Upright at={x(floor)} stroke="var(--rust)" width={2} broken />}
            {ceiling !== null && <Upright at={x(ceiling)} stroke="var(--rust)" width={2} broken />}
            <line x1="0" x2="100%" y1={ROW / 2} y2={ROW / 2} stroke="var(--rule)" />
            <Dots places={group.values.map(x)} fill={TONES[group.kind]} />
            <Upright at={x(group.summary!.mean)} stroke="var(--ink)" width={2.5} inset={4} />
          </svg>
          <span className="text-right font-bold">{fixed(group.summary!.mean, digits)}</span>
        </div>
      ))}
      <div className="grid grid-cols-[1fr_3.5rem] text-sm text-soft sm:grid-cols-[11rem_1fr_3.5rem]">
        <span className="max-sm:hidden" />
        <span className="flex justify-between">
          <span>{fixed(least, digits)}</span>
          <span>{fixed(most, digits)}</span>
        </span>
        <span className="text-right">mean</span>
      </div>
    </div>
  );
}

type Line = { at: number; stroke: string; width: number; inset?: number; broken?: boolean };

const Upright = ({ at, stroke, width, inset = 0, broken }: Line) => (
  <line
    x1={`${at}%`}
    x2={`${at}%`}
    y1={inset}
    y2={ROW - inset}
    stroke={stroke}
    strokeWidth={width}
    strokeDasharray={broken ? "5 4" : undefined}
  />
);

function Dots({ places, fill }: { places: number[]; fill: string }) {
  const steps = swarm(places, SHARE, STEPS);
  return places.map((place, i) => (
    <circle
      // biome-ignore lint/suspicious/noArrayIndexKey: a dot is nothing but its place
      key={i}
      cx={`${place}%`}
      cy={ROW / 2 + steps[i]! * DOT}
      r={DOT / 2 - 0.4}
      fill={fill}
      fillOpacity="0.75"
    />
  ));
}
