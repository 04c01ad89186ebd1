import type { LifeCurve } from "@/views/drawer";

const WIDTH = 250;
const HEIGHT = 44;

type Props = { curve: LifeCurve; limit: number; tone: string; label: string };

/** A lot's life in one line: what comes up over the years with its range, the limit, today, and the grower's own tests. */
export function LifeLine({ curve, limit, tone, label }: Props) {
  const { points, age, tests } = curve;
  const years = points.at(-1)!.year;
  const x = (year: number) => (year / years) * (WIDTH - 8) + 4;
  const y = (share: number) => HEIGHT - 4 - share * (HEIGHT - 8);
  const line = (of: (p: LifeCurve["points"][number]) => number) =>
    points.map((p) => `${x(p.year).toFixed(1)},${y(of(p)).toFixed(1)}`);
  const range = [...line((p) => p.high), ...line((p) => p.low).reverse()].join(" ");
  return (
    <svg role="img" aria-label={label} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className={`my-1 block w-full ${tone}`}>
      <polygon points={range} fill="currentColor" opacity="0.14" />
      <line x1="4" x2={WIDTH - 4} y1={y(0)} y2={y(0)} stroke="var(--rule)" />
      <line x1="4" x2={WIDTH - 4} y1={y(limit)} y2={y(limit)} stroke="var(--rust)" strokeDasharray="2 4" />
      <line x1={x(age)} x2={x(age)} y1="2" y2={HEIGHT - 2} stroke="var(--damson)" strokeWidth="1.5" />
      <polyline points={line((p) => p.likely).join(" ")} fill="none" stroke="currentColor" strokeWidth="2" />
      {tests.map((test) => (
        <circle key={test.year} cx={x(test.year)} cy={y(test.up / test.sown)} r="3.5" fill="var(--ink)" />
      ))}
    </svg>
  );
}
