"use client";
import clsx from "clsx";
import { X } from "lucide-react";
import { Dialog } from "radix-ui";
import { type ReactNode, useEffect, useState } from "react";
import { Over } from "./Over";

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

/** How a page over the right side looks. */
export const SHEET =
  "fixed inset-y-0 right-0 z-40 w-full max-w-lg overflow-y-auto border-l border-ink bg-leaf p-6 shadow-xl";

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

/** The page itself, open for as long as it is drawn. */
export function SheetPanel({ title, onClose, children }: { title: string; onClose: () => void; children: ReactNode }) {
  return (
    <Over title={title} onClose={onClose} className={SHEET}>
      <div className="mb-5 flex items-start justify-between gap-4">
        <Dialog.Title className="text-2xl">{title}</Dialog.Title>
        <Dialog.Close aria-label="Close" className="leaf leaf-plain">
          <X aria-hidden size={22} />
        </Dialog.Close>
      </div>
      {children}
    </Over>
  );
}
