"use client";
import clsx from "clsx";
import { type ReactNode, useEffect, useState } from "react";
import { Fetching } from "./Fetching";
import { later } from "./later";
import { Meanwhile } from "./Meanwhile";
import type { PanelProps } from "./SheetPanel";

type Props = {
  trigger: ReactNode;
  title: string;
  strong?: boolean;
  plain?: boolean;
  /** The trigger is drawn by itself: a thing that opens, not a button among buttons. */
  bare?: boolean;
  /** The part after # of an address that opens it. */
  at?: string;
  /** The sheet's content; given a way to close it. */
  children: (close: () => void) => ReactNode;
};

// Fetched when first opened: most pages are read without.
const Panel = later(async () => (await import("./SheetPanel")).SheetPanel);

/** The page itself, open for as long as it is drawn. */
export const SheetPanel = (props: PanelProps) => (
  <Meanwhile
    fallback={
      <div className="fixed right-0 bottom-0 z-40 bg-leaf p-4 empty:hidden">
        <Fetching />
      </div>
    }
  >
    <Panel {...props} />
  </Meanwhile>
);

/** A page that slides over the right side for one piece of writing; made only when opened, as a screen may have a hundred. */
export function Sheet({ trigger, title, strong, plain, bare, at, children }: Props) {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    if (!at) return;
    const look = () => {
      if (location.hash !== `#${at}`) return;
      // Closed again it stays closed: the address says it once.
      history.replaceState(history.state, "", location.pathname + location.search);
      setOpen(true);
    };
    look();
    window.addEventListener("hashchange", look);
    return () => window.removeEventListener("hashchange", look);
  }, [at]);
  return (
    <>
      <button
        type="button"
        aria-haspopup="dialog"
        onClick={() => setOpen(true)}
        className={bare ? "block rounded text-left" : clsx("leaf", strong && "leaf-strong", plain && "leaf-plain")}
      >
        {trigger}
      </button>
      {open && (
        <SheetPanel title={title} onClose={() => setOpen(false)}>
          {children(() => setOpen(false))}
        </SheetPanel>
      )}
    </>
  );
}
