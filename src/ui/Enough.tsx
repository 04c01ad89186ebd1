import type { ReactNode } from "react";

type Props = {
  /** Certain, possible, and asked for. */
  have: number;
  waiting?: number;
  need: number;
  /** The gap in words, with the ways to close it. */
  children: ReactNode;
};

/** Have against need, drawn the same everywhere: full, hatched, empty. Above 24 it is drawn as one bar to scale. */
export function Enough({ have, waiting = 0, need, children }: Props) {
  const label = `${have} have, ${waiting} waiting, ${need} wanted`;
  const total = Math.max(need, have + waiting);
  return (
    <div>
      <svg role="img" aria-label={label} viewBox="0 0 392 40" className="block h-10 w-full max-w-[24.5rem]">
        <defs>
          <pattern id="waiting" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="2.2" height="5" fill="var(--moss)" />
          </pattern>
        </defs>
        {total <= 24 ? (
          Array.from({ length: total }, (_, i) => {
            const width = Math.min(32, 384 / total);
            const x = i * width + 1;
            const fill = i < have ? "var(--moss)" : i < have + waiting ? "url(#waiting)" : "none";
            return (
              <ellipse
                // biome-ignore lint/suspicious/noArrayIndexKey: a seed is nothing but its place
                key={i}
                cx={x + width / 2}
                cy="20"
                rx={width * 0.4}
                ry={Math.min(17, width * 0.55)}
                fill={fill}
                stroke={i < have + waiting ? "var(--moss)" : "var(--soft)"}
                strokeDasharray={i < have + waiting ? undefined : "3 3"}
                strokeWidth="1.5"
              />
            );
          })
        ) : (
          <>
            <rect x="1" y="10" width="388" height="20" rx="10" fill="none" stroke="var(--soft)" strokeDasharray="3 3" />
            <rect
              x="1"
              y="10"
              width={(388 * Math.min(total, have + waiting)) / total}
              height="20"
              rx="10"
              fill="url(#waiting)"
            />
            <rect x="1" y="10" width={(388 * have) / total} height="20" rx="10" fill="var(--moss)" />
            <line
              x1={(388 * need) / total}
              x2={(388 * need) / total}
              y1="4"
              y2="36"
              stroke="var(--ink)"
              strokeWidth="2"
            />
          </>
        )}
      </svg>
      <p className="mt-1">{children}</p>
    </div>
  );
}
