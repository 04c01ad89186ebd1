"use client";
import { type ReactNode, useState } from "react";

/** What can wait: how much of it there is and until when, opened by a press. */
export function Folded({ said, beside, children }: { said: string; beside?: ReactNode; children: ReactNode }) {
  const [opened, setOpened] = useState(false);
  return (
    <>
      <li className="flex flex-wrap items-center justify-between gap-x-4 py-0.5">
        <button
          type="button"
          aria-expanded={opened}
          className="min-h-11 text-left sm:min-h-9 font-semibold text-damson underline"
          onClick={() => setOpened(!opened)}
        >
          {said}
        </button>
        {beside}
      </li>
      {opened && children}
    </>
  );
}
