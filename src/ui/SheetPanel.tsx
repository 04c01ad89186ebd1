"use client";
import { X } from "lucide-react";
import { Dialog } from "radix-ui";
import type { ReactNode } from "react";
import { Fetching } from "./Fetching";
import { Meanwhile } from "./Meanwhile";
import { Over } from "./Over";

export type PanelProps = { title: string; onClose: () => void; children: ReactNode };

/** How a page over the right side looks. */
export const SHEET =
  "fixed inset-y-0 right-0 z-40 w-full max-w-lg overflow-y-auto border-l border-ink bg-leaf p-6 shadow-xl";

/** The page itself, open for as long as it is drawn. */
export function SheetPanel({ title, onClose, children }: PanelProps) {
  return (
    <Over title={title} onClose={onClose} className={SHEET}>
      <div className="mb-5 flex items-start justify-between gap-4">
        <Dialog.Title className="text-2xl">{title}</Dialog.Title>
        <Dialog.Close aria-label="Close" className="leaf leaf-plain">
          <X aria-hidden size={22} />
        </Dialog.Close>
      </div>
      <Meanwhile fallback={<Fetching />}>{children}</Meanwhile>
    </Over>
  );
}
