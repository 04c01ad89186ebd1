"use client";
import clsx from "clsx";
import { useRouter } from "next/navigation";
import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from "react";
import type { Id } from "@/core/custody/id";
import { cornersOf, type Plot, type Point, snapped } from "@/core/ground/shape";
import { lengthInWords, type Units } from "@/core/units/units";
import type { Bed } from "@/records/bed/bed";
import type { Ground, Judged } from "@/views/ground";
import { useCommand } from "../common/command";
import { frameOf, pathOn, roundLength, type Size, sizeFor } from "./frame";
import { MapBeds } from "./MapBeds";
import { MapShapes } from "./MapShapes";
import { Handles, Ring } from "./mapParts";
import { wordsOn } from "./mapWords";
import { Patterns, Scale, Words } from "./mapWritten";
import { arrowOf, plotByKey } from "./plot";
import { useDrags } from "./useDrags";
import { useZoom } from "./useZoom";

export type Drawing = { kind: "barrier" | "source"; points: Point[] };

export type Props = Pick<Ground, "beds" | "stands" | "barriers" | "sources"> & {
  concern: Judged | null;
  units: Units;
  drawing: Drawing | null;
  /** Points as they are drawn; `done` when the line is ended. */
  onDraw: (points: Point[], done: boolean) => void;
  onOpen: (kind: "barrier" | "source", id: Id) => void;
};

const SNAP = 0.25;
/** Pixels a metre below which the beds are too small for every name. */
const SMALL = 5;

export function GroundMap(props: Props) {
  const { beds, stands, barriers, sources, concern, units, drawing, onDraw, onOpen } = props;
  const svg = useRef<SVGSVGElement>(null);
  const { zoom, by, pan, reset } = useZoom(svg);
  const [size, setSize] = useState<Size>(sizeFor(800));
  const [snap, setSnap] = useState(true);
  const [all, setAll] = useState(beds.length === 0);
  const [held, setHeld] = useState<(Plot & { id: Id }) | null>(null);
  const [focused, setFocused] = useState<Id | null>(null);
  const [pointer, setPointer] = useState<Point | null>(null);
  const { runAloud } = useCommand();
  const router = useRouter();

  const placed = beds.map((b) => (held?.id === b.id ? { ...b, ...held } : b));
  const far = [...sources.flatMap((s) => s.outline), ...barriers.flatMap((b) => b.path)];
  const frame = frameOf([...beds.flatMap(cornersOf), ...(all ? far : [])], zoom, size);
  const step = (metres: number) => (snap ? snapped(metres, SNAP) : Math.round(metres * 100) / 100);

  const keep = async (id: Id, plot: Plot) => {
    setHeld({ id, ...plot });
    await runAloud("bed.move", { id, version: beds.find((b) => b.id === id)!.version, ...plot });
    setHeld(null);
  };
  const move = (kind: "barrier" | "source", id: Id, east: number, north: number) => {
    const { version } = (kind === "barrier" ? barriers : sources).find((shape) => shape.id === id)!;
    return runAloud("ground.move", { kind, id, version, east, north });
  };
  const open = (bed: Bed) => {
    const here = stands.filter((s) => s.bedId === bed.id);
    const next = here[(here.findIndex((s) => s.id === concern?.standId) + 1) % Math.max(1, here.length)];
    if (next) router.push(`/ground?season=${next.season}&stand=${next.code}`);
  };

  const shapes = `${beds.map((b) => b.id)} ${barriers.map((b) => b.id)} ${sources.map((s) => s.id)} ${focused} ${all} ${size.width}`;
  useDrags({ svg, frame, size, shapes, beds, step, move, keep, hold: (id, plot) => setHeld({ id, ...plot }) });

  useEffect(() => {
    const watch = new ResizeObserver(([entry]) => {
      const { width } = entry!.contentRect;
      if (width > 0) setSize(sizeFor(Math.round(width)));
    });
    if (svg.current) watch.observe(svg.current.parentElement!);
    return () => watch.disconnect();
  }, []);

  // While a line is drawn, its end and its giving up are heard wherever the focus is.
  useEffect(() => {
    if (!drawing) return;
    const onKey = (event: globalThis.KeyboardEvent) => {
      if (event.key === "Enter") event.preventDefault();
      if (event.key === "Enter" && drawing.points.length > 1) onDraw(drawing.points, true);
      else if (event.key === "Escape") onDraw([], true);
    };
    document.addEventListener("keydown", onKey);
    return () => document.removeEventListener("keydown", onKey);
  }, [drawing, onDraw]);

  const onBedKey = (event: KeyboardEvent, bed: Bed) => {
    if (event.key === "Enter") return open(bed);
    const plot = plotByKey(event, bed);
    if (!plot) return;
    event.preventDefault();
    event.stopPropagation();
    void keep(bed.id, plot);
  };
  const onShapeKey = (event: KeyboardEvent, kind: "barrier" | "source", id: Id) => {
    const arrow = arrowOf(event);
    // Without this the same Enter would press what the sheet puts under it.
    if (event.key === "Enter") event.preventDefault();
    if (event.key === "Enter") return onOpen(kind, id);
    if (!arrow) return;
    event.preventDefault();
    event.stopPropagation();
    void move(kind, id, ...arrow);
  };
  const onSheetKey = (event: KeyboardEvent) => {
    if (event.key === "+") by(1.4);
    else if (event.key === "-") by(1 / 1.4);
    else if (event.key === "0") reset();
    else if (event.target === svg.current && event.key.startsWith("Arrow")) {
      event.preventDefault();
      const [x, y] = { ArrowLeft: [60, 0], ArrowRight: [-60, 0], ArrowUp: [0, 60], ArrowDown: [0, -60] }[event.key] ?? [
        0, 0,
      ];
      pan(x!, y!);
    }
  };
  const pointAt = (event: PointerEvent): Point => {
    const box = svg.current!.getBoundingClientRect();
    const { x, y } = frame.metresAt(
      ((event.clientX - box.left) / box.width) * size.width,
      ((event.clientY - box.top) / box.height) * size.height,
    );
    return { x: step(x), y: step(y) };
  };
  const pressed = useRef({ x: 0, y: 0 });
  const press = (event: PointerEvent) => {
    // A drag pans the sheet and sets no point.
    if (!drawing || Math.hypot(event.clientX - pressed.current.x, event.clientY - pressed.current.y) > 4) return;
    const points = [...drawing.points, pointAt(event)];
    onDraw(points, drawing.kind === "source");
  };

  const small = frame.scale < SMALL;
  const concernStand = stands.find((s) => s.id === concern?.standId);
  const concernBed = placed.find((b) => b.id === concernStand?.bedId);
  const { lines, labels } = wordsOn({ ...props, placed, frame, size, small });
  const tick = roundLength(120 / frame.scale);
  const focusedBed = placed.find((b) => b.id === focused);

  return (
    <figure>
      <svg
        ref={svg}
        viewBox={`0 0 ${size.width} ${size.height}`}
        className={clsx(
          "w-full touch-none select-none border border-rule",
          drawing ? "cursor-crosshair" : "cursor-grab",
        )}
        role="group"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: the sheet takes keys to zoom and pan
        tabIndex={0}
        aria-label="The ground to scale. Plus and minus zoom, arrows pan, 0 fits"
        onKeyDown={onSheetKey}
        onPointerDownCapture={(event) => {
          pressed.current = { x: event.clientX, y: event.clientY };
        }}
        onPointerUp={press}
        onPointerMove={(event) => drawing && setPointer(pointAt(event))}
        onDoubleClick={() => drawing && drawing.points.length > 1 && onDraw(drawing.points, true)}
      >
        <Patterns />
        {concernBed && concernStand && (
          <Ring bed={concernBed} metres={concernStand.isolation.low} frame={frame} size={size} units={units} />
        )}
        <g pointerEvents={drawing ? "none" : undefined}>
          <MapShapes barriers={barriers} sources={sources} frame={frame} onOpen={onOpen} onKey={onShapeKey} />
        </g>
        <g pointerEvents={drawing ? "none" : undefined}>
          <MapBeds
            beds={placed}
            stands={stands}
            frame={frame}
            concern={concernBed?.id}
            onOpen={open}
            onFocus={setFocused}
            onKey={onBedKey}
          />
        </g>
        <Words labels={labels} lines={lines} />
        {focusedBed && !drawing && <Handles bed={focusedBed} frame={frame} />}
        {drawing && drawing.points.length > 0 && (
          <path
            d={pathOn(frame, pointer ? [...drawing.points, pointer] : drawing.points, false)}
            fill="none"
            stroke="var(--damson)"
            strokeWidth="3"
            strokeDasharray="6 4"
          />
        )}
        <Scale metres={tick} frame={frame} height={size.height} units={units} />
      </svg>
      <figcaption className="mt-2 flex flex-wrap items-center gap-x-5 gap-y-2 text-sm text-soft">
        <span className="flex gap-2">
          <button type="button" className="leaf" aria-label="Nearer" onClick={() => by(1.5)}>
            +
          </button>
          <button type="button" className="leaf" aria-label="Farther" onClick={() => by(1 / 1.5)}>
            −
          </button>
          <button
            type="button"
            className="leaf"
            aria-pressed={all}
            onClick={() => {
              setAll(!all);
              reset();
            }}
          >
            {all ? "Only my beds" : "All that is near"}
          </button>
        </span>
        <label className="flex items-center gap-2">
          <input type="checkbox" checked={snap} onChange={(event) => setSnap(event.target.checked)} />
          Snap to {lengthInWords(SNAP, units)}
        </label>
        <span>Rows: a stand; dots: numbered plants; hatched: pollen from beyond the garden.</span>
      </figcaption>
    </figure>
  );
}
