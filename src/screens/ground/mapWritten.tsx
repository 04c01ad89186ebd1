import clsx from "clsx";
import { lengthInWords, type Units } from "@/core/units/units";
import type { Frame } from "./frame";
import type { wordsOn } from "./mapWords";

/** What beds are filled with: rows, numbered plants, pollen from beyond the garden. */
export function Patterns() {
  return (
    <defs>
      <pattern id="rows" width="7" height="7" patternUnits="userSpaceOnUse">
        <path d="M0 3.5H7" stroke="var(--soft)" strokeWidth="1" opacity="0.6" />
      </pattern>
      <pattern id="numbered" width="8" height="8" patternUnits="userSpaceOnUse">
        <circle cx="4" cy="4" r="1.3" fill="var(--damson)" />
      </pattern>
      <pattern id="strange" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d="M0 3H6" stroke="var(--dusk)" strokeWidth="1.2" opacity="0.7" />
      </pattern>
    </defs>
  );
}

type Shown = ReturnType<typeof wordsOn>;

/** Names in beds, beside shapes, and the shares that arrive along their lines. */
export function Words({ labels, lines, written }: Pick<Shown, "labels" | "lines" | "written">) {
  return (
    <>
      {written.map(({ key, lines: of, x, y, turn }) => (
        <text
          key={key}
          transform={`translate(${x} ${y}) rotate(${turn})`}
          textAnchor="middle"
          className="pointer-events-none fill-ink text-[12px]"
          paintOrder="stroke"
          stroke="var(--leaf)"
          strokeWidth="6"
        >
          {of.map((line, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: lines of one text, in their order
            <tspan key={i} x="0" y={(i - (of.length - 1) / 2) * 15 + 4}>
              {line}
            </tspan>
          ))}
        </text>
      ))}
      {labels.map((label) => (
        <g key={label.key} pointerEvents="none">
          {label.line && (
            <path
              d={`M${label.line[0].x} ${label.line[0].y}L${label.line[1].x} ${label.line[1].y}`}
              stroke="var(--soft)"
              strokeWidth="1.2"
            />
          )}
          <text
            x={label.x}
            y={label.y}
            className={clsx("text-[13px]", label.key.startsWith("bed") ? "fill-ink" : "fill-soft")}
            paintOrder="stroke"
            stroke="var(--paper)"
            strokeWidth="3"
          >
            {label.words}
          </text>
        </g>
      ))}
      {lines.map((line) => (
        <g key={line.key} pointerEvents="none">
          <path d={line.path} fill="none" stroke="var(--dusk)" strokeWidth={line.width} opacity="0.55" />
          <text
            x={line.at.x}
            y={line.at.y}
            textAnchor="middle"
            className="fill-dusk text-[13px] font-bold"
            paintOrder="stroke"
            stroke="var(--paper)"
            strokeWidth="4"
          >
            {line.words}
          </text>
        </g>
      ))}
    </>
  );
}

/** A length of so many metres, and north. */
export function Scale({
  metres,
  frame,
  height,
  units,
}: {
  metres: number;
  frame: Frame;
  height: number;
  units: Units;
}) {
  return (
    <g transform={`translate(44 ${height - 14})`} className="fill-soft text-[12px]">
      <path d={`M0 -5V0H${metres * frame.scale}V-5`} fill="none" stroke="var(--ink)" />
      <text x={metres * frame.scale + 6} y="2">
        {lengthInWords(metres, units)}
      </text>
      <path d="M-22 0V-22M-26 -16L-22 -23L-18 -16" fill="none" stroke="var(--ink)" />
      <text x="-22" y="-27" textAnchor="middle">
        N
      </text>
    </g>
  );
}
