"use client";
import { type D3DragEvent, drag } from "d3-drag";
import { select } from "d3-selection";
import { type RefObject, useEffect, useRef } from "react";
import type { Id } from "@/core/custody/id";
import { bearingTo, cornersOf, type Plot, type Point } from "@/core/ground/shape";
import type { Bed } from "@/records/bed/bed";
import type { Frame, Size } from "./frame";
import { plotOf, turned } from "./plot";

type Dragged = {
  svg: RefObject<SVGSVGElement | null>;
  frame: Frame;
  size: Size;
  /** Changes with what can be dragged. */
  shapes: string;
  beds: Bed[];
  /** Metres as the grid has them. */
  step: (metres: number) => number;
  move: (kind: "barrier" | "source", id: Id, east: number, north: number) => Promise<unknown>;
  keep: (id: Id, plot: Plot) => Promise<unknown>;
  /** A bed as it is while it is dragged. */
  hold: (id: Id, plot: Plot) => void;
  /** The one bed that a finger moves; a mouse moves any. */
  chosen: Id | null;
};

/** What drags on the ground: whole beds, their corner (size) and their handle (turn), barriers and sources. */
export function useDrags({ svg, frame, size, shapes, beds, step, move, keep, hold, chosen }: Dragged): void {
  const finger = useRef(chosen);
  finger.current = chosen;
  const drags = useRef<(kind: string, id: Id, dx: number, dy: number, end: boolean, at: Point) => void>(() => {});
  drags.current = (kind, id, dx, dy, end, at) => {
    const [east, north] = [dx / frame.scale, -dy / frame.scale];
    if (kind === "barrier" || kind === "source") {
      if (end) void move(kind, id, step(east), step(north));
      return;
    }
    const bed = beds.find((b) => b.id === id)!;
    const middle = { x: bed.x + bed.width / 2, y: bed.y + bed.length / 2 };
    const plot = plotOf(bed);
    if (kind === "bed") Object.assign(plot, { x: step(bed.x + east), y: step(bed.y + north) });
    if (kind === "turn") plot.turn = turned(bearingTo(middle, at));
    if (kind === "size") {
      // The corner moves in the bed's own directions; the opposite corner stays where it is.
      const angle = (bed.turn * Math.PI) / 180;
      const along = east * Math.cos(angle) - north * Math.sin(angle);
      const across = east * Math.sin(angle) + north * Math.cos(angle);
      plot.width = Math.max(0.5, step(bed.width + along));
      plot.length = Math.max(0.5, step(bed.length + across));
      const fixed = cornersOf(bed)[0]!;
      const moved = cornersOf(plot)[0]!;
      plot.x += fixed.x - moved.x;
      plot.y += fixed.y - moved.y;
    }
    if (end) void keep(id, plot);
    else hold(id, plot);
  };

  // biome-ignore lint/correctness/useExhaustiveDependencies: bound anew when what can be dragged changes
  useEffect(() => {
    const found = select(svg.current).selectAll<SVGGElement, unknown>("[data-drag]");
    found.call(
      drag<SVGGElement, unknown>()
        .clickDistance(4)
        // A finger that turns the page would else carry beds away.
        .filter(function may(this: SVGGElement, event: Event) {
          if (!("touches" in event)) return !(event as MouseEvent).ctrlKey && !(event as MouseEvent).button;
          return this.dataset.drag!.split(" ")[1] === finger.current;
        })
        .container(() => svg.current!)
        .subject(() => ({ x: 0, y: 0 }))
        .on(
          "start drag end",
          function on(this: SVGGElement, event: D3DragEvent<SVGGElement, unknown, { x: number; y: number }>) {
            const [kind, id] = this.dataset.drag!.split(" ") as [string, string];
            const shape = kind === "barrier" || kind === "source";
            if (event.type === "drag" && shape) this.setAttribute("transform", `translate(${event.x} ${event.y})`);
            if (event.type === "end" && shape) this.removeAttribute("transform");
            if (event.type === "start" || (event.type === "end" && Math.hypot(event.x, event.y) < 4)) return;
            const box = svg.current!.getBoundingClientRect();
            const source = event.sourceEvent as MouseEvent | TouchEvent;
            const touch = "changedTouches" in source ? source.changedTouches[0]! : source;
            const at = frame.metresAt(
              ((touch.clientX - box.left) / box.width) * size.width,
              ((touch.clientY - box.top) / box.height) * size.height,
            );
            drags.current(kind, id, event.x, event.y, event.type === "end", at);
          },
        ),
    );
  }, [shapes]);
}
