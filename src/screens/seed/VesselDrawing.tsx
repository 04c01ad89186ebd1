import type { Stage } from "@/core/seed/table";
import { type Content, VESSELS, type VesselKind } from "@/core/seed/vessels";

/** What lies in a vessel, drawn: nothing, seed in its juice, or seed spread out. */
type Props = { kind: VesselKind; stage: Stage | null; soiled: boolean };

/** Seeds as they lie, the same every time. */
const SEEDS = Array.from({ length: 26 }, (_, i) => ({
  x: 12 + ((i * 37) % 62),
  y: 27 + ((i * 23) % 19),
  turn: (i * 53) % 180,
}));

const Spread = () => (
  <g fill="var(--quince-fill)">
    {SEEDS.map(({ x, y, turn }) => (
      <ellipse key={`${x} ${y}`} cx={x} cy={y} rx="2.6" ry="1.5" transform={`rotate(${turn} ${x} ${y})`} />
    ))}
  </g>
);

/** What each content is drawn in; juice that is not wet any more has lost its colour. */
const TONES: Record<Exclude<Content, "spread">, { fill: string; opacity?: number }> = {
  fruit: { fill: "var(--moss)" },
  heads: { fill: "var(--rule)" },
  juice: { fill: "var(--quince-fill)", opacity: 0.75 },
  heap: { fill: "var(--quince-fill)", opacity: 0.75 },
};

/** A vessel of the table, by its kind, with what is in it. Dashed where it is not clean. */
export function VesselDrawing({ kind, stage, soiled }: Props) {
  const { outline, lines, content, filled } = VESSELS[kind];
  const tone = content === "juice" && stage !== "cleaning" ? "heads" : content;
  return (
    <svg aria-hidden viewBox="0 0 86 62" className="h-16 w-[5.4rem]">
      <path
        d={outline}
        fill="var(--leaf)"
        stroke="var(--ink)"
        strokeWidth={1.5}
        strokeDasharray={soiled ? "3 3" : undefined}
      />
      {stage !== null && (tone === "spread" ? <Spread /> : <path d={filled ?? ""} {...TONES[tone]} />)}
      {lines && <path d={lines} fill="none" stroke="var(--ink)" strokeWidth="1.5" />}
    </svg>
  );
}
