"use client";
import clsx from "clsx";
import type { ReactNode } from "react";
import { useCommand } from "./useCommand";
import { useGo } from "./useGo";

type Props = {
  command: string;
  input: unknown;
  strong?: boolean;
  plain?: boolean;
  /** Where to go once done, given the new record's id. */
  goTo?: string;
  label?: string;
  /** For work away from the server: what is kept on the device, in words, until it answers again. */
  kept?: string;
  onDone?: () => void;
  children: ReactNode;
};

export function CommandButton({ command, input, strong, plain, goTo, label, kept, onDone, children }: Props) {
  const { runAloud, runKeptAloud, busy } = useCommand();
  const go = useGo();
  const press = async () => {
    const answer = await (kept ? runKeptAloud(command, input, kept) : runAloud(command, input));
    if (!answer?.ok) return;
    onDone?.();
    if (goTo) go(goTo);
  };
  return (
    <button
      type="button"
      aria-label={label}
      disabled={busy}
      onClick={() => void press()}
      className={clsx("leaf", strong && "leaf-strong", plain && "leaf-plain")}
    >
      {children}
    </button>
  );
}
