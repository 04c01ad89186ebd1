"use client";
import { type ReactNode, useState } from "react";
import { nameWithGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { type Point, plotBetween } from "@/core/ground/shape";
import Link from "@/ui/Link";
import { Sheet, SheetPanel } from "@/ui/Sheet";
import { BarrierForm } from "./BarrierForm";
import { BedSheet, NewBeds } from "./BedForm";
import { GroundFile } from "./GroundFile";
import { type Drawing, GroundMap, type MapProps } from "./GroundMap";
import { SourceForm } from "./SourceForm";

type Open = { kind: Drawing["kind"]; id: Id | null; points: Point[] };

const HOW: Record<Drawing["kind"], string> = {
  bed: "Drag from one corner of the bed to the one across.",
  barrier: "Press where it begins, at each bend, and Enter or a double press at its end.",
  source: "Press where it stands.",
};

type Props = Pick<MapProps, "beds" | "barriers" | "sources" | "stands" | "concern" | "units"> & {
  season: number;
  children: ReactNode;
};

/** The map with what is drawn on it: beds, barriers, and sources beyond the garden. */
export function Surroundings({ children, season, ...map }: Props) {
  const { beds, barriers, sources, stands, units } = map;
  const [drawing, setDrawing] = useState<Drawing | null>(null);
  const [open, setOpen] = useState<Open | null>(null);
  const draw = (points: Point[], done: boolean) => {
    if (!drawing) return;
    if (!done) return setDrawing({ ...drawing, points });
    setDrawing(null);
    if (points.length > 0) setOpen({ kind: drawing.kind, id: null, points });
  };
  const begin = (kind: Drawing["kind"], done?: () => void) => {
    done?.();
    setDrawing({ kind, points: [] });
  };
  const barrier = open?.kind === "barrier" ? barriers.find((b) => b.id === open.id) : undefined;
  const source = open?.kind === "source" ? sources.find((s) => s.id === open.id) : undefined;
  const bed = open?.kind === "bed" ? beds.find((b) => b.id === open.id) : undefined;
  const close = () => setOpen(null);
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center gap-3">
        {drawing ? (
          <p className="flex flex-wrap items-center gap-3" role="status">
            {HOW[drawing.kind]}
            <button type="button" className="leaf leaf-plain" onClick={() => setDrawing(null)}>
              Leave off
            </button>
          </p>
        ) : (
          <>
            {children}
            <Sheet trigger="Add beds" title="New beds" at="bed">
              {(done) => (
                <>
                  <p className="mb-4">
                    By numbers, or{" "}
                    <button type="button" className="opens" onClick={() => begin("bed", done)}>
                      draw one on the map
                    </button>
                    .
                  </p>
                  <NewBeds beds={beds} units={units} onDone={done} />
                </>
              )}
            </Sheet>
            <button type="button" className="leaf" onClick={() => begin("barrier")}>
              Draw a hedge or wall
            </button>
            <Sheet trigger="Add outside pollen" title="Pollen from beyond the garden" at="source">
              {(done) => (
                <>
                  <p className="mb-4">
                    By distance and bearing from the garden&apos;s corner, or{" "}
                    <button type="button" className="opens" onClick={() => begin("source", done)}>
                      point to it on the map
                    </button>
                    .
                  </p>
                  <SourceForm units={units} season={season} onDone={done} />
                </>
              )}
            </Sheet>
          </>
        )}
      </div>
      {beds.length === 0 && !drawing ? (
        <div className="max-w-prose">
          <h2>No beds yet</h2>
          <p className="mt-2">
            Add a bed by its place and size from one corner of the garden, several of a size at once in rows. Then draw
            hedges, and pollen from beyond the garden, beside them.
          </p>
        </div>
      ) : (
        <GroundMap {...map} drawing={drawing} onDraw={draw} onOpen={(kind, id) => setOpen({ kind, id, points: [] })}>
          <GroundFile />
        </GroundMap>
      )}
      {open?.kind === "barrier" && (
        <SheetPanel title={barrier?.name ?? "A barrier"} onClose={close}>
          <BarrierForm barrier={barrier} path={barrier?.path ?? open.points} onDone={close} />
        </SheetPanel>
      )}
      {open?.kind === "source" && (
        <SheetPanel title={source?.name ?? "Pollen from beyond the garden"} onClose={close}>
          <SourceForm source={source} at={open.points[0]} units={units} season={season} onDone={close} />
        </SheetPanel>
      )}
      {open?.kind === "bed" && (
        <SheetPanel title={bed ? `Bed ${bed.name}` : "New beds"} onClose={close}>
          {bed ? (
            <>
              <ul className="mb-5">
                {stands
                  .filter((s) => s.bedId === bed.id)
                  .map((s) => (
                    <li key={s.id}>
                      <Link href={`/ground?season=${s.season}&stand=${s.code}`}>
                        {nameWithGeneration(s)}, {s.code}
                      </Link>
                    </li>
                  ))}
              </ul>
              <BedSheet bed={bed} beds={beds} units={units} onDone={close} />
            </>
          ) : (
            open.points.length > 1 && (
              <NewBeds beds={beds} units={units} place={plotBetween(open.points[0]!, open.points[1]!)} onDone={close} />
            )
          )}
        </SheetPanel>
      )}
    </>
  );
}
