import { bedInWords } from "@/core/ground/bedInWords";
import { middleOf, type Point } from "@/core/ground/shape";
import Link from "@/ui/Link";
import type { TodayBed } from "@/views/today";
import { stopsOf } from "./words";

/** The drawing's size, and its margin, in its own units. */
const SIZE = { width: 360, height: 190, margin: 26 };
/** However few stops there are, so much ground is shown, metres. */
const LEAST = 12;

const spanOf = (values: number[]) => {
  const [low, high] = [Math.min(...values), Math.max(...values)];
  return { middle: (low + high) / 2, size: Math.max(LEAST, high - low) };
};

/** Where points of the ground lie on the drawing: all stops fit, north stays up; what lies far off is left out. */
function fitted(stops: TodayBed[]): (point: Point) => Point {
  const points = stops.flatMap(({ outline }) => outline);
  const [x, y] = [spanOf(points.map((point) => point.x)), spanOf(points.map((point) => point.y))];
  const { width, height, margin } = SIZE;
  const scale = Math.min((width - 2 * margin) / x.size, (height - 2 * margin) / y.size);
  return (point) => ({
    x: width / 2 + (point.x - x.middle) * scale,
    y: height / 2 - (point.y - y.middle) * scale,
  });
}

/** The beds as they lie, the day's stops numbered in the order of the walk; a press on one shows its work. */
export function TodayMap({ map, chosen }: { map: TodayBed[]; chosen: string | null }) {
  const stops = stopsOf(map);
  if (stops.length === 0) return null;
  const at = fitted(stops);
  const hrefOf = (name: string) => (name === chosen ? "/" : `/?bed=${encodeURIComponent(name)}`);
  return (
    <nav aria-label="Beds with work today" className="mb-6">
      <svg viewBox={`0 0 ${SIZE.width} ${SIZE.height}`} className="w-full border border-rule bg-leaf">
        <title>The garden's beds, today's stops numbered</title>
        {map.map(({ id, name, outline, stop }) => {
          const corners = outline.map(at);
          const middle = middleOf(corners);
          const shape = (
            <polygon
              points={corners.map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`).join(" ")}
              className={
                name === chosen
                  ? "fill-quince stroke-ink"
                  : stop === null
                    ? "fill-paper stroke-rule"
                    : "fill-paper stroke-ink"
              }
            />
          );
          if (stop === null) return <g key={id}>{shape}</g>;
          return (
            <Link key={id} href={hrefOf(name)} aria-label={`Stop ${stop}: ${bedInWords(name)}`}>
              {shape}
              <circle cx={middle.x} cy={middle.y} r="11" className="fill-damson" />
              <text
                x={middle.x}
                y={middle.y + 4.5}
                textAnchor="middle"
                className="fill-on-damson text-[13px] font-bold"
              >
                {stop}
              </text>
            </Link>
          );
        })}
      </svg>
      <ol className="mt-2 flex flex-wrap gap-x-4 gap-y-1">
        {stops.map(({ id, name, stop }) => (
          <li key={id}>
            <Link
              href={hrefOf(name)}
              aria-current={name === chosen ? "true" : undefined}
              className="inline-flex min-h-11 items-center font-semibold underline aria-[current]:no-underline"
            >
              {stop} {bedInWords(name)}
            </Link>
          </li>
        ))}
      </ol>
    </nav>
  );
}
