import type { Drawn } from "@/core/traits/trait";

/** A step of a scale, drawn: how much of it there is, 0 to 1. */
const DRAWINGS: Record<Drawn, (much: number) => React.ReactNode> = {
  size: (much) => <circle cx="16" cy="16" r={3 + much * 11} fill="var(--moss)" />,
  length: (much) => (
    <path
      d={`M${15 - much * 13} 18 q${much * 6.5 + 0.5} -5 ${much * 13 + 1} 0 t${much * 13 + 1} 0`}
      fill="none"
      stroke="var(--moss)"
      strokeWidth="3"
      strokeLinecap="round"
    />
  ),
  depth: (much) => (
    <circle cx="16" cy="16" r="12" fill="var(--damson)" fillOpacity={0.08 + much * 0.92} stroke="var(--ink)" />
  ),
  spread: (much) => {
    const lean = (1 - much) * 75;
    return [-1, 0, 1].map((side) => (
      <line
        key={side}
        x1="16"
        y1="30"
        x2="16"
        y2="6"
        transform={`rotate(${side * 14 + lean} 16 30)`}
        stroke="var(--moss)"
        strokeWidth="3"
        strokeLinecap="round"
      />
    ));
  },
  netting: (much) => (
    <>
      <circle cx="16" cy="16" r="12" fill="var(--petal-cream)" stroke="var(--ink)" />
      {Array.from({ length: Math.round(much * 6) }, (_, i) => (
        <path
          // biome-ignore lint/suspicious/noArrayIndexKey: a thread is nothing but its place
          key={i}
          d={`M${6 + i * 3.6} 8 l3 8 l-3 8 M${5} ${9 + i * 2.6} q11 4 22 0`}
          fill="none"
          stroke="var(--withered)"
        />
      ))}
    </>
  ),
  damage: (much) => (
    <>
      <path d="M16 30 C2 22 4 6 16 2 C28 6 30 22 16 30" fill="var(--moss)" />
      {Array.from({ length: Math.round((1 - much) * 9) }, (_, i) => (
        <circle
          // biome-ignore lint/suspicious/noArrayIndexKey: a spot is nothing but its place
          key={i}
          cx={[11, 20, 15, 22, 10, 18, 13, 21, 16][i]}
          cy={[12, 9, 18, 17, 20, 23, 7, 13, 27][i]}
          r="2.6"
          fill="var(--rust)"
        />
      ))}
    </>
  ),
};

/** One step of a scale from 1 to 9, as it is drawn. */
const DrawnStep = ({ drawn, step }: { drawn: Drawn; step: number }) => (
  <svg viewBox="0 0 32 32" aria-hidden className="size-8 shrink-0">
    {DRAWINGS[drawn]((step - 1) / 8)}
  </svg>
);

type Ends = { drawn: Drawn | null; lowEnd: string; highEnd: string };

/** Both ends of a scale, drawn and in words. */
export const ScaleEnds = ({ drawn, lowEnd, highEnd }: Ends) => (
  <span className="flex flex-wrap items-center gap-x-4 gap-y-1">
    {([1, 9] as const).map((end) => (
      <span key={end} className="flex items-center gap-1.5">
        {drawn && <DrawnStep drawn={drawn} step={end} />}
        <span>
          <strong>{end}</strong> {end === 1 ? lowEnd : highEnd}
        </span>
      </span>
    ))}
  </span>
);
