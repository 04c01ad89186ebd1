"use client";
import { useState } from "react";
import type { Id } from "@/core/custody/id";
import type { Point } from "@/core/ground/shape";
import { Sheet, SheetPanel } from "@/ui/Sheet";
import type { Ground } from "@/views/ground";
import { BarrierForm } from "./BarrierForm";
import { GroundFile } from "./GroundFile";
import { type Drawing, GroundMap } from "./GroundMap";
import { SourceForm } from "./SourceForm";

type Open = { kind: "barrier" | "source"; id: Id | null; points: Point[] };

/** The map with what is drawn on it: barriers, and sources beyond the garden. */
export function Surroundings(view: Ground) {
  const { barriers, sources, garden, season } = view;
  const { units } = garden;
  const [drawing, setDrawing] = useState<Drawing | null>(null);
  const [open, setOpen] = useState<Open | null>(null);
  const draw = (points: Point[], done: boolean) => {
    if (!drawing) return;
    if (!done) return setDrawing({ ...drawing, points });
    setDrawing(null);
    if (points.length > 0) setOpen({ kind: drawing.kind, id: null, points });
  };
  const barrier = open?.kind === "barrier" ? barriers.find((b) => b.id === open.id) : undefined;
  const source = open?.kind === "source" ? sources.find((s) => s.id === open.id) : undefined;
  const close = () => setOpen(null);
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center gap-3">
        {drawing ? (
          <p className="flex flex-wrap items-center gap-3" role="status">
            {drawing.kind === "barrier"
              ? "Press where it begins, at each bend, and Enter or a double press at its end."
              : "Press where it stands."}
            <button type="button" className="leaf leaf-plain" onClick={() => setDrawing(null)}>
              Leave off
            </button>
          </p>
        ) : (
          <>
            <button type="button" className="leaf" onClick={() => setDrawing({ kind: "barrier", points: [] })}>
              Draw a hedge or wall
            </button>
            <Sheet trigger="Add outside pollen" title="Pollen from beyond the garden" at="source">
              {(done) => (
                <>
                  <p className="mb-4">
                    By distance and bearing from the garden&apos;s corner, or{" "}
                    <button
                      type="button"
                      className="opens"
                      onClick={() => {
                        done();
                        setDrawing({ kind: "source", points: [] });
                      }}
                    >
                      point to it on the map
                    </button>
                    .
                  </p>
                  <SourceForm units={units} season={season} onDone={done} />
                </>
              )}
            </Sheet>
            <GroundFile />
          </>
        )}
      </div>
      <GroundMap
        {...view}
        units={units}
        concern={view.judged.find((j) => j.standId === view.concern) ?? null}
        drawing={drawing}
        onDraw={draw}
        onOpen={(kind, id) => setOpen({ kind, id, points: [] })}
      />
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
    </>
  );
}
