"use client";
import { type ReactNode, useEffect, useRef, useState } from "react";
import { Meanwhile } from "./Meanwhile";

/** How far below the window something is fetched already, px. */
const NEAR = "300px";

/**
 * A piece of a page that is heavy to fetch, as charts are: fetched and drawn once the page is scrolled near it, or printed.
 * `height` is what it takes on the page until then, px.
 */
export function WhenSeen({ height, children }: { height: number; children: ReactNode }) {
  const place = useRef<HTMLDivElement>(null);
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    const show = () => setSeen(true);
    const watch = new IntersectionObserver(([at]) => at!.isIntersecting && show(), { rootMargin: NEAR });
    watch.observe(place.current!);
    window.addEventListener("beforeprint", show);
    return () => {
      watch.disconnect();
      window.removeEventListener("beforeprint", show);
    };
  }, []);
  const room = <div style={{ height }} />;
  return <div ref={place}>{seen ? <Meanwhile fallback={room}>{children}</Meanwhile> : room}</div>;
}
