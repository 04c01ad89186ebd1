"use client";
import { select } from "d3-selection";
import { type D3ZoomEvent, type ZoomBehavior, zoom, zoomIdentity, zoomTransform } from "d3-zoom";
import { type RefObject, useEffect, useRef, useState } from "react";
import type { Zoom } from "./frame";

const transformOf = (svg: RefObject<SVGSVGElement | null>) => (svg.current ? zoomTransform(svg.current) : zoomIdentity);

/** Zoom and pan of the ground by wheel, pinch and drag of empty ground; buttons and keys call `by` and `reset`; `still` while something is drawn by dragging. */
export function useZoom(svg: RefObject<SVGSVGElement | null>, still: boolean) {
  const held = useRef(still);
  held.current = still;
  const [state, setState] = useState<Zoom>({ k: 1, x: 0, y: 0 });
  const behaviour = useRef<ZoomBehavior<SVGSVGElement, unknown> | null>(null);
  useEffect(() => {
    if (!svg.current) return;
    const made = zoom<SVGSVGElement, unknown>()
      .scaleExtent([0.02, 40])
      // What can be dragged by itself is not ground; the wheel zooms over it too.
      .filter((event: Event) =>
        event.type === "wheel"
          ? true
          : !held.current &&
            // One finger on the whole sheet is left to the page; two are a pinch.
            !("touches" in event && (event as TouchEvent).touches.length < 2 && transformOf(svg).k === 1) &&
            !(event.target as Element).closest("[data-drag]") &&
            !(event as MouseEvent).button,
      )
      .on("zoom", ({ transform }: D3ZoomEvent<SVGSVGElement, unknown>) =>
        setState({ k: transform.k, x: transform.x, y: transform.y }),
      );
    behaviour.current = made;
    const selected = select(svg.current);
    selected.call(made).on("dblclick.zoom", null);
    return () => void selected.on(".zoom", null);
  }, [svg]);
  const call = (
    work: (b: ZoomBehavior<SVGSVGElement, unknown>, s: ReturnType<typeof select<SVGSVGElement, unknown>>) => void,
  ) => {
    if (svg.current && behaviour.current) work(behaviour.current, select<SVGSVGElement, unknown>(svg.current));
  };
  return {
    zoom: state,
    by: (factor: number) => call((b, s) => b.scaleBy(s, factor)),
    pan: (x: number, y: number) => call((b, s) => b.translateBy(s, x / state.k, y / state.k)),
    reset: () => call((b, s) => b.transform(s, zoomIdentity)),
  };
}
