"use client";
import clsx from "clsx";
import { useRouter } from "next/navigation";
import type { ReactNode } from "react";
import { useCommand } from "./useCommand";

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
  const router = useRouter();
  const press = async () => {
    const answer = await (kept ? runKeptAloud(command, input, kept) : runAloud(command, input));
    if (!answer?.ok) return;
    onDone?.();
    if (goTo) router.push(goTo);
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
