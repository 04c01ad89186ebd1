"use client";
import { type D3DragEvent, drag } from "d3-drag";
import { select } from "d3-selection";
import { useRouter } from "next/navigation";
import { type KeyboardEvent, useEffect, useRef, useState } from "react";
import { nameWithGeneration } from "@/core/custody/generation";
import { gap } from "@/core/isolation/distance";
import { lengthInWords, type Units } from "@/core/units/units";
import type { Bed } from "@/records/garden/queries";
import { useCommand } from "@/ui/useCommand";
import type { ClashView, Ground } from "@/views/ground";

type Props = {
  beds: Bed[];
  stands: Ground["stands"];
  chosen: number | null;
  clashes: ClashView[];
  units: Units;
  season: number;
};

const WIDTH = 800;
const PAD = 52;
/** The sheet is as high as the ground asks for, within what a page holds. */
const TALLEST = 600;
const LOWEST = 360;

/** The stretch of ground to draw, metres, with its scale in pixels a metre. */
function frameOf(beds: Bed[]) {
  const west = Math.min(...beds.map((b) => b.x));
  const south = Math.min(...beds.map((b) => b.y));
  const east = Math.max(...beds.map((b) => b.x + b.width));
  const north = Math.max(...beds.map((b) => b.y + b.length));
  const scale = Math.min((WIDTH - 2 * PAD) / (east - west), (TALLEST - 2 * PAD) / (north - south), 60);
  const height = Math.max(LOWEST, (north - south) * scale + 2 * PAD);
  const left = (WIDTH - (east - west) * scale) / 2;
  const bottom = (height + (north - south) * scale) / 2;
  const x = (metres: number) => left + (metres - west) * scale;
  const y = (metres: number) => bottom - (metres - south) * scale;
  return { scale, height, x, y };
}

/** A round length for the scale bar, near a sixth of the drawing. */
function roundLength(metres: number): number {
  const size = 10 ** Math.floor(Math.log10(metres));
  return [5, 2, 1].map((n) => n * size).find((n) => n <= metres) ?? size;
}

type Label = { bed: Bed; words: string; x: number; y: number };

/** Words beside beds, moved down until none lies on another or on a bed. */
function placeLabels(beds: Bed[], words: Map<number, string>, frame: ReturnType<typeof frameOf>): Label[] {
  const boxes = beds.map((b) => ({
    left: frame.x(b.x),
    top: frame.y(b.y + b.length),
    right: frame.x(b.x + b.width),
    bottom: frame.y(b.y),
  }));
  const labels: Label[] = [];
  beds.forEach((bed, i) => {
    const text = words.get(bed.id) ?? bed.name;
    const width = text.length * 7 + 4;
    const box = boxes[i]!;
    const spots = [
      { x: box.left, y: box.top - 6 },
      { x: box.left, y: box.bottom + 15 },
      { x: box.right - width, y: box.top - 6 },
      { x: box.right - width, y: box.bottom + 15 },
      { x: box.left, y: box.top - 22 },
      { x: box.left, y: box.bottom + 31 },
      { x: box.right + 6, y: box.top + 14 },
      { x: box.left - width, y: box.top + 14 },
    ];
    // Where nothing is free, over the bed, but never off the sheet.
    const onSheet = { x: Math.max(2, Math.min(box.left, WIDTH - width - 2)), y: box.top - 6 };
    const clear = (spot: { x: number; y: number }) =>
      spot.x > 0 &&
      spot.x + width < WIDTH &&
      ![
        ...boxes,
        ...labels.map((l) => ({ left: l.x, right: l.x + l.words.length * 7 + 4, top: l.y - 11, bottom: l.y + 3 })),
      ].some((o) => spot.x < o.right && spot.x + width > o.left && spot.y - 11 < o.bottom && spot.y + 3 > o.top);
    labels.push({ bed, words: text, ...(spots.find(clear) ?? onSheet) });
  });
  return labels;
}

function wordsFor(bed: Bed, stands: Ground["stands"]): string {
  const names = [
    ...new Set(stands.filter((s) => s.bedId === bed.id).map((s) => nameWithGeneration(s.lineName, s.generation))),
  ];
  const short = (name: string) => (name.length > 24 ? `${name.slice(0, 23)}…` : name);
  if (names.length === 0) return bed.name;
  return `${bed.name} · ${short(names[0]!)}${names.length > 1 ? ` +${names.length - 1}` : ""}`;
}

export function GroundMap({ beds, stands, chosen, clashes, units, season }: Props) {
  const own = beds.filter((b) => !b.outside);
  const [all, setAll] = useState(own.length === 0);
  const [moved, setMoved] = useState<{ id: number; x: number; y: number } | null>(null);
  const { run } = useCommand();
  const router = useRouter();
  const svg = useRef<SVGSVGElement>(null);
  const shown = all ? beds : own;
  const frame = frameOf(shown.length ? shown : beds);
  const placed = shown.map((b) => (moved?.id === b.id ? { ...b, x: moved.x, y: moved.y } : b));
  const labels = placeLabels(placed, new Map(placed.map((b) => [b.id, wordsFor(b, stands)])), frame);
  const chosenStand = stands.find((s) => s.id === chosen);
  const chosenBed = placed.find((b) => b.id === chosenStand?.bedId);
  const tick = roundLength(120 / frame.scale);
  const standOf = (bed: Bed) => stands.find((s) => s.bedId === bed.id);

  const keep = async (bed: Bed, x: number, y: number) => {
    await run("bed.move", { id: bed.id, x: Math.round(x * 20) / 20, y: Math.round(y * 20) / 20 });
    setMoved(null);
  };

  // biome-ignore lint/correctness/useExhaustiveDependencies: bound anew when the beds or the scale change
  useEffect(() => {
    const groups = select(svg.current).selectAll<SVGGElement, unknown>("g[data-bed]");
    groups.call(
      drag<SVGGElement, unknown>()
        .clickDistance(4)
        .subject((_event: unknown, _d: unknown) => ({ x: 0, y: 0 }))
        .on(
          "start drag end",
          function on(this: SVGGElement, event: D3DragEvent<SVGGElement, unknown, { x: number; y: number }>) {
            const bed = placed.find((b) => b.id === Number(this.dataset.bed))!;
            const to = { id: bed.id, x: bed.x + event.x / frame.scale, y: bed.y - event.y / frame.scale };
            if (event.type === "drag") {
              this.setAttribute("transform", `translate(${event.x} ${event.y})`);
            }
            if (event.type !== "end") return;
            this.removeAttribute("transform");
            if (Math.hypot(event.x, event.y) < 4) return;
            setMoved(to);
            void keep(bed, to.x, to.y);
          },
        ),
    );
  }, [beds, all]);

  const onKey = (event: KeyboardEvent, bed: Bed) => {
    const step = event.shiftKey ? 5 : 0.5;
    const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, step], ArrowDown: [0, -step] }[event.key];
    if (by) {
      event.preventDefault();
      void keep(bed, bed.x + by[0]!, bed.y + by[1]!);
    } else if (event.key === "Enter") open(bed);
  };
  const open = (bed: Bed) => {
    const here = stands.filter((s) => s.bedId === bed.id);
    const next = here[(here.findIndex((s) => s.id === chosen) + 1) % Math.max(1, here.length)];
    if (next) router.push(`/ground?season=${season}&stand=${next.id}`);
  };

  return (
    <figure>
      <svg
        ref={svg}
        viewBox={`0 0 ${WIDTH} ${frame.height}`}
        className="w-full touch-none select-none"
        role="group"
        aria-label="The ground to scale"
      >
        <defs>
          <pattern id="rows" width="7" height="7" patternUnits="userSpaceOnUse">
            <path d="M0 3.5H7" stroke="var(--soft)" strokeWidth="1" opacity="0.6" />
          </pattern>
          <pattern id="numbered" width="8" height="8" patternUnits="userSpaceOnUse">
            <circle cx="4" cy="4" r="1.3" fill="var(--damson)" />
          </pattern>
        </defs>
        {chosenBed && chosenStand && (
          <Ring bed={chosenBed} metres={chosenStand.isolation.low} frame={frame} units={units} />
        )}
        {clashes.map((clash) => {
          const [a, b] = [clash.standId, clash.sourceId].map((id) =>
            placed.find((bed) => bed.id === stands.find((s) => s.id === id)?.bedId),
          );
          if (!a || !b || a.id === b.id) return null;
          const at = (bed: Bed) => [frame.x(bed.x + bed.width / 2), frame.y(bed.y + bed.length / 2)] as const;
          const [x1, y1] = at(a);
          const [x2, y2] = at(b);
          return (
            <g key={clash.key}>
              <path
                d={`M${x1} ${y1} Q${(x1 + x2) / 2} ${(y1 + y2) / 2 - 30} ${x2} ${y2}`}
                fill="none"
                stroke="var(--dusk)"
                strokeWidth="3"
                opacity="0.55"
              />
              <text
                x={(x1 + x2) / 2}
                y={(y1 + y2) / 2 - 20}
                textAnchor="middle"
                className="fill-dusk text-[13px] font-bold"
                paintOrder="stroke"
                stroke="var(--paper)"
                strokeWidth="4"
              >
                {lengthInWords(gap(a, b), units)}
              </text>
            </g>
          );
        })}
        {placed.map((bed) => {
          const stand = standOf(bed);
          const isChosen = bed.id === chosenStand?.bedId;
          return (
            <g
              key={bed.id}
              data-bed={bed.id}
              role="button"
              tabIndex={0}
              aria-label={`Bed ${wordsFor(bed, stands)}. Arrow keys move it, Enter opens its stand`}
              className="cursor-move outline-none [&:focus-visible>rect]:stroke-dusk [&:focus-visible>rect]:stroke-[4]"
              onClick={() => open(bed)}
              onKeyDown={(event) => onKey(event, bed)}
            >
              <rect
                x={frame.x(bed.x)}
                y={frame.y(bed.y + bed.length)}
                width={bed.width * frame.scale}
                height={bed.length * frame.scale}
                fill="var(--leaf)"
                stroke="var(--ink)"
                strokeWidth={isChosen ? 3.5 : 1.4}
                strokeDasharray={bed.outside ? "5 4" : undefined}
              />
              {stand && (
                <rect
                  x={frame.x(bed.x)}
                  y={frame.y(bed.y + bed.length)}
                  width={bed.width * frame.scale}
                  height={bed.length * frame.scale}
                  fill={stand.numbered > 0 ? "url(#numbered)" : "url(#rows)"}
                  pointerEvents="none"
                />
              )}
            </g>
          );
        })}
        {labels.map((label) => (
          <text
            key={label.bed.id}
            x={label.x}
            y={label.y}
            className="pointer-events-none fill-ink text-[13px]"
            paintOrder="stroke"
            stroke="var(--paper)"
            strokeWidth="3"
          >
            {label.words}
          </text>
        ))}
        <g transform={`translate(${PAD} ${frame.height - 14})`} className="fill-soft text-[12px]">
          <path d={`M0 -5V0H${tick * frame.scale}V-5`} fill="none" stroke="var(--ink)" />
          <text x={tick * frame.scale + 6} y="2">
            {lengthInWords(tick, units)}
          </text>
          <path d="M-26 0V-22M-30 -16L-26 -23L-22 -16" fill="none" stroke="var(--ink)" />
          <text x="-26" y="-27" textAnchor="middle">
            N
          </text>
        </g>
      </svg>
      <figcaption className="mt-2 flex flex-wrap items-center gap-x-6 gap-y-2 text-sm text-soft">
        <span>Drawn to scale. Rows: a stand; dots: numbered plants; dashed: beyond the fence.</span>
        {own.length > 0 && own.length < beds.length && (
          <button type="button" className="leaf" aria-pressed={all} onClick={() => setAll(!all)}>
            {all ? "Only my garden" : `Beyond the fence too (${beds.length - own.length})`}
          </button>
        )}
      </figcaption>
    </figure>
  );
}

/** The rule-of-thumb distance from a bed's edge; drawn only as far as the sheet goes. */
function Ring({
  bed,
  metres,
  frame,
  units,
}: {
  bed: Bed;
  metres: number;
  frame: ReturnType<typeof frameOf>;
  units: Units;
}) {
  const reach = metres * frame.scale;
  const box = {
    x: frame.x(bed.x) - reach,
    y: frame.y(bed.y + bed.length) - reach,
    width: bed.width * frame.scale + 2 * reach,
    height: bed.length * frame.scale + 2 * reach,
  };
  const beyond = box.x < 0 && box.y < 0 && box.x + box.width > WIDTH && box.y + box.height > frame.height;
  return (
    <g>
      <rect {...box} rx={reach} fill="none" stroke="var(--rust)" strokeDasharray="2 6" strokeWidth="1.6" />
      <text
        x={beyond ? WIDTH - 8 : Math.min(WIDTH - 8, Math.max(230, box.x + box.width / 2 + 110))}
        y={Math.max(14, box.y - 6)}
        textAnchor="end"
        className="fill-rust text-[12px]"
      >
        rule of thumb {lengthInWords(metres, units)}
        {beyond ? ": all of this sheet lies within it" : ""}
      </text>
    </g>
  );
}
