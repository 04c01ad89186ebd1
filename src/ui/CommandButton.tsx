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
  onDone?: () => void;
  children: ReactNode;
};

export function CommandButton({ command, input, strong, plain, goTo, label, onDone, children }: Props) {
  const { runAloud, busy } = useCommand();
  const router = useRouter();
  const press = async () => {
    const answer = await runAloud(command, input);
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
