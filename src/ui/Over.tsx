"use client";
import { Dialog } from "radix-ui";
import { type ReactNode, useRef } from "react";
import { useBackCloses } from "./overs";

type Props = { title: string; hideTitle?: boolean; className: string; onClose: () => void; children: ReactNode };

/** Something that lies over the page for as long as it is drawn. Escape, a press beside it and Back close it, and what was in hand before has the focus again. */
export function Over({ title, hideTitle, className, onClose, children }: Props) {
  const opener = useRef<Element | null>(typeof document === "undefined" ? null : document.activeElement);
  useBackCloses(onClose);
  return (
    <Dialog.Root open onOpenChange={onClose}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className={className}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            if (opener.current instanceof HTMLElement && opener.current.isConnected) opener.current.focus();
          }}
        >
          {hideTitle && <Dialog.Title className="sr-only">{title}</Dialog.Title>}
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
