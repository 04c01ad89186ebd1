"use client";
import clsx from "clsx";
import { useRouter } from "next/navigation";
import { type KeyboardEvent, type PointerEvent, type ReactNode, useEffect, useMemo, useRef, useState } from "react";
import type { Id } from "@/core/custody/id";
import { cornersOf, type Plot, type Point, plotBetween, snapped } from "@/core/ground/shape";
import { lengthInWords, lengthTyped, type Units } from "@/core/units/units";
import type { Bed } from "@/records/bed/bed";
import type { Ground, Judged, MapStand } from "@/views/ground";
import { useCommand } from "../common/command";
import { FIRST_SIZE, frameOf, pathOn, roundLength, type Size } from "./frame";
import { MapBeds } from "./MapBeds";
import { MapEdge } from "./MapEdge";
import { MapShapes } from "./MapShapes";
import { Handles, Ring, ringOf } from "./mapParts";
import { wordsOn } from "./mapWords";
import { Patterns, Scale, Words } from "./mapWritten";
import { nearTogether } from "./near";
import { arrowOf, plotByKey } from "./plot";
import { useDrags } from "./useDrags";
import { useZoom } from "./useZoom";

export type Drawing = { kind: "barrier" | "source" | "bed"; points: Point[] };

export type MapProps = Pick<Ground, "beds" | "stands" | "barriers" | "sources"> & {
  concern: Judged | null;
  units: Units;
  drawing: Drawing | null;
  /** Points as they are drawn; `done` when the line is ended. */
  onDraw: (points: Point[], done: boolean) => void;
  onOpen: (kind: "barrier" | "source" | "bed", id: Id) => void;
  /** What else is done with the map, in a row with its scale. */
  children?: ReactNode;
};

/** The grid that beds and points are set on, m: a quarter of a metre, or a foot. */
const SNAP: Record<Units, number> = { metric: 0.25, imperial: lengthTyped(1, "imperial") };
/** Pixels a metre below which the beds are too small for every name. */
const SMALL = 5;

export function GroundMap(props: MapProps) {
  const { beds, stands, barriers, sources, concern, units, drawing, onDraw, onOpen, children } = props;
  const svg = useRef<SVGSVGElement>(null);
  const { zoom, by, pan, reset } = useZoom(svg, drawing?.kind === "bed");
  const [size, setSize] = useState<Size>(FIRST_SIZE);
  const [snap, setSnap] = useState(true);
  const [all, setAll] = useState(false);
  const [held, setHeld] = useState<(Plot & { id: Id }) | null>(null);
  const [focused, setFocused] = useState<Id | null>(null);
  const [pointer, setPointer] = useState<Point | null>(null);
  const { runAloud } = useCommand();
  const router = useRouter();

  const concernStand = stands.find((s) => s.id === concern?.standId);
  const concernBedId = concernStand?.bedId ?? null;
  const placed = beds.map((b) => (held?.id === b.id ? { ...b, ...held } : b));
  const concernBed = placed.find((b) => b.id === concernBedId);
  // While a bed is dragged the sheet stays as it was, and what lies together is not looked for at every move.
  const shown = useMemo(() => {
    const others = [...sources.map((s) => s.outline), ...barriers.map((b) => b.path)];
    return all ? [...beds.map(cornersOf), ...others] : nearTogether(beds.map(cornersOf), others, size);
  }, [beds, sources, barriers, size, all]);
  const frame = frameOf(shown.flat(), zoom, size);
  const step = (metres: number) => (snap ? snapped(metres, SNAP[units]) : Math.round(metres * 100) / 100);

  const keep = async (id: Id, plot: Plot) => {
    setHeld({ id, ...plot });
    await runAloud("bed.move", { id, version: beds.find((b) => b.id === id)!.version, ...plot });
    setHeld(null);
  };
  const move = (kind: "barrier" | "source", id: Id, east: number, north: number) => {
    const { version } = (kind === "barrier" ? barriers : sources).find((shape) => shape.id === id)!;
    return runAloud("ground.move", { kind, id, version, east, north });
  };
  const openStand = (stand: MapStand) => router.push(`/ground?season=${stand.season}&stand=${stand.code}`);
  const openBed = (bed: Bed) => onOpen("bed", bed.id);
  const openFar = (key: string) => {
    const [kind, id] = key.split(" ") as ["bed" | "source", Id];
    const here = kind === "bed" ? stands.filter((s) => s.bedId === id) : [];
    if (here.length === 1) openStand(here[0]!);
    else onOpen(kind, id);
  };

  const shapes = `${beds.map((b) => b.id)} ${barriers.map((b) => b.id)} ${sources.map((s) => s.id)} ${stands.map((s) => s.id)} ${focused} ${all} ${size.width} ${zoom.k} ${zoom.x} ${zoom.y}`;
  useDrags({
    svg,
    frame,
    size,
    shapes,
    beds,
    step,
    move,
    keep,
    hold: (id, plot) => setHeld({ id, ...plot }),
    chosen: focused ?? concernBedId,
  });

  useEffect(() => {
    const watch = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      if (width > 0 && height > 0) setSize({ width: Math.round(width), height: Math.round(height) });
    });
    if (svg.current) watch.observe(svg.current);
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
    // Without this the same Enter would press what the sheet puts under it.
    if (event.key === "Enter") event.preventDefault();
    if (event.key === "Enter") return openBed(bed);
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
    const far = Math.hypot(event.clientX - pressed.current.x, event.clientY - pressed.current.y);
    if (drawing?.kind === "bed") {
      const [from] = drawing.points;
      const to = pointAt(event);
      // A press without a drag draws nothing.
      if (from && far > 4 && from.x !== to.x && from.y !== to.y) onDraw([from, to], true);
      else onDraw([], false);
      return;
    }
    // A drag pans the sheet and sets no point.
    if (!drawing || far > 4) return;
    onDraw([...drawing.points, pointAt(event)], drawing.kind === "source");
  };

  const small = frame.scale < SMALL;
  const ring = concernBed && concernStand ? ringOf(concernBed, concernStand.isolation.low, frame, size, units) : null;
  const scaleBox = { left: 0, top: size.height - 56, right: 250, bottom: size.height };
  const { lines, labels, written, marks, more } = wordsOn({
    ...props,
    placed,
    frame,
    size,
    small,
    taken: ring ? [ring.taken, scaleBox] : [scaleBox],
  });
  const tick = roundLength(120 / frame.scale);
  const focusedBed = placed.find((b) => b.id === focused);

  return (
    <figure>
      <svg
        ref={svg}
        viewBox={`0 0 ${size.width} ${size.height}`}
        className={clsx(
          "block h-[clamp(20rem,calc(100svh-20rem),52rem)] w-full select-none border border-rule max-sm:h-[62svh] print:h-[16cm]",
          drawing ? "cursor-crosshair" : "cursor-grab",
          // As long as all is in view a finger that runs over the sheet turns the page.
          drawing || zoom.k !== 1 ? "touch-none" : "touch-pan-y",
        )}
        role="group"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: the sheet takes keys to zoom and pan
        tabIndex={0}
        aria-label="The ground to scale. Plus and minus zoom, arrows pan, 0 fits"
        onKeyDown={onSheetKey}
        onPointerDownCapture={(event) => {
          pressed.current = { x: event.clientX, y: event.clientY };
          if (drawing?.kind === "bed") onDraw([pointAt(event)], false);
        }}
        onPointerUp={press}
        onPointerMove={(event) => drawing && setPointer(pointAt(event))}
        onDoubleClick={() => drawing?.kind === "barrier" && drawing.points.length > 1 && onDraw(drawing.points, true)}
      >
        <Patterns />
        {ring && <Ring ring={ring} size={size} />}
        <g pointerEvents={drawing ? "none" : undefined}>
          <MapShapes
            barriers={barriers}
            sources={sources}
            frame={frame}
            size={size}
            onOpen={onOpen}
            onKey={onShapeKey}
          />
        </g>
        <g pointerEvents={drawing ? "none" : undefined}>
          <MapBeds
            beds={placed}
            stands={stands}
            frame={frame}
            size={size}
            concern={concern?.standId}
            onBed={openBed}
            onStand={openStand}
            onFocus={setFocused}
            onKey={onBedKey}
          />
        </g>
        <Words labels={labels} lines={lines} written={written} />
        <g pointerEvents={drawing ? "none" : undefined}>
          <MapEdge marks={marks} onOpen={openFar} />
        </g>
        {focusedBed && !drawing && <Handles bed={focusedBed} frame={frame} />}
        {drawing && drawing.points.length > 0 && (
          <path
            d={
              drawing.kind === "bed"
                ? pathOn(frame, cornersOf(plotBetween(drawing.points[0]!, pointer ?? drawing.points[0]!)), true)
                : pathOn(frame, pointer ? [...drawing.points, pointer] : drawing.points, false)
            }
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
            {all ? "Only what lies together" : "All, however far"}
          </button>
        </span>
        <label className="flex items-center gap-2">
          <input type="checkbox" checked={snap} onChange={(event) => setSnap(event.target.checked)} />
          Snap to {lengthInWords(SNAP[units], units)}
        </label>
        {more > 0 && <span>{more} more lie beyond the sheet.</span>}
        {children}
        <span className="max-sm:hidden">Rows: a stand; dots: numbered plants; hatched: pollen from beyond.</span>
      </figcaption>
    </figure>
  );
}
