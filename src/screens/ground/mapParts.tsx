import { cornersOf, type Point } from "@/core/ground/shape";
import { oddsInWords } from "@/core/units/odds";
import { lengthInWords, type Units } from "@/core/units/units";
import type { Bed } from "@/records/bed/bed";
import type { Judged } from "@/views/ground";
import { boxOn, type Frame, pathOn, type Size } from "./frame";
import { widthOf } from "./labels";

const oneIn = (share: number) => oddsInWords(share, { few: "hardly any" });

/** The corner that sizes a bed and the knob that turns it. */
export function Handles({ bed, frame }: { bed: Bed; frame: Frame }) {
  const corner = cornersOf(bed)[2]!;
  const middle = { x: bed.x + bed.width / 2, y: bed.y + bed.length / 2 };
  const angle = (bed.turn * Math.PI) / 180;
  const reach = bed.length / 2 + 26 / frame.scale;
  const knob = { x: middle.x + reach * Math.sin(angle), y: middle.y + reach * Math.cos(angle) };
  return (
    <g>
      <path
        d={pathOn(frame, [middle, knob], false)}
        stroke="var(--dusk)"
        strokeWidth="1.5"
        strokeDasharray="2 3"
        pointerEvents="none"
      />
      <circle
        data-drag={`turn ${bed.id}`}
        cx={frame.x(knob.x)}
        cy={frame.y(knob.y)}
        r="8"
        fill="var(--leaf)"
        stroke="var(--dusk)"
        strokeWidth="2.5"
        className="cursor-alias"
      >
        <title>Turn the bed</title>
      </circle>
      <rect
        data-drag={`size ${bed.id}`}
        x={frame.x(corner.x) - 7}
        y={frame.y(corner.y) - 7}
        width="14"
        height="14"
        fill="var(--dusk)"
        className="cursor-nwse-resize"
      >
        <title>Size the bed</title>
      </rect>
    </g>
  );
}

/** A way across the sheet that has room for words, px. */
const SHORTEST = 90;

type ArrivalLine = { key: string; path: string; width: number; words: string; at: { x: number; y: number } };

/** What pollen comes to the stand in question: a way from each source, as strong as its share, the strongest named. */
export function arrivalLines(
  concern: Judged,
  to: Point,
  frame: Frame,
  size: Size,
  units: Units,
  placeOf: (key: string) => Point | null,
): ArrivalLine[] {
  return concern.bySource.slice(0, 5).flatMap((source, i) => {
    const from = placeOf(source.key);
    if (!from || (from.x === to.x && from.y === to.y)) return [];
    const [x1, y1, x2, y2] = [frame.x(from.x), frame.y(from.y), frame.x(to.x), frame.y(to.y)];
    // Words stand half way, or near the stand where the source lies off the sheet.
    const off = x1 < 0 || x1 > size.width || y1 < 0 || y1 > size.height;
    const along = off ? 0.82 : 0.5;
    return {
      key: source.key,
      path: `M${x1} ${y1} Q${(x1 + x2) / 2} ${(y1 + y2) / 2 - 24} ${x2} ${y2}`,
      width: Math.max(1, 6 + 1.3 * Math.log10(Math.max(1e-6, source.likely))),
      // Between two parts of one bed there is no room for words; the right page has them.
      words:
        i < 3 && Math.hypot(x2 - x1, y2 - y1) > SHORTEST
          ? `${oneIn(source.likely)} · ${lengthInWords(source.way.middle, units)}`
          : "",
      at: {
        x: Math.max(70, Math.min(size.width - 70, x1 + (x2 - x1) * along)),
        y: Math.max(16, Math.min(size.height - 30, y1 + (y2 - y1) * along - 16)),
      },
    };
  });
}

/** The rule-of-thumb distance around a bed, as far as the sheet goes, and where its words stand. */
export function ringOf(bed: Bed, metres: number, frame: Frame, size: Size, units: Units) {
  const box = boxOn(frame, cornersOf(bed));
  const reach = metres * frame.scale;
  const beyond =
    box.left - reach < 0 && box.top - reach < 0 && box.right + reach > size.width && box.bottom + reach > size.height;
  const words = `rule of thumb ${lengthInWords(metres, units)}${beyond ? ": all of this sheet lies within it" : ""}`;
  return { box, reach, words, taken: { left: size.width - widthOf(words) - 8, top: 0, right: size.width, bottom: 22 } };
}

export function Ring({ ring: { box, reach, words }, size }: { ring: ReturnType<typeof ringOf>; size: Size }) {
  return (
    <g pointerEvents="none">
      <rect
        x={box.left - reach}
        y={box.top - reach}
        width={box.right - box.left + 2 * reach}
        height={box.bottom - box.top + 2 * reach}
        rx={reach}
        fill="none"
        stroke="var(--rust)"
        strokeDasharray="2 6"
        strokeWidth="1.6"
      />
      <text x={size.width - 8} y={16} textAnchor="end" className="fill-rust text-[12px]">
        {words}
      </text>
    </g>
  );
}
