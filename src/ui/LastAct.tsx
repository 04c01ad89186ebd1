"use client";
import { createContext, type ReactNode, useContext, useState } from "react";
import { useOutbox } from "./useOutbox";

/** The last thing that was done here: in the person's words, what came of it, and the way to take it back. */
export type Act = {
  words: string;
  message: string;
  undo: (() => void) | null;
  bad?: boolean;
  /** The write that waits on this device, where the server has not answered. */
  waits?: string;
};

const Telling = createContext<((act: Act) => void) | null>(null);

/** How commands under here tell what was done; null where they tell it in a message that comes and goes. */
export const useLastAct = () => useContext(Telling);

/**
 * A page for wet hands: what is in it may scroll, and under it stands the last act with its Undo, always at one place and
 * never over anything else.
 */
export function WithLastAct({ children }: { children: ReactNode }) {
  const [act, setAct] = useState<Act | null>(null);
  const { waiting } = useOutbox();
  const waits = waiting.some(({ id }) => id === act?.waits);
  const message = act?.waits ? (waits ? "Waits here until the server answers." : "Sent.") : act?.message;
  return (
    <Telling.Provider value={setAct}>
      <div className="min-h-0 flex-1 overflow-y-auto">{children}</div>
      <div
        role="status"
        aria-label="Last act"
        className="flex min-h-16 shrink-0 items-center justify-between gap-3 border-t border-ink bg-leaf px-4 pb-[env(safe-area-inset-bottom)]"
      >
        {act ? (
          <>
            <p className={`min-w-0 py-1 leading-tight ${act.bad ? "font-bold text-rust" : ""}`}>
              <strong className="block truncate">{act.words}</strong>
              {message !== act.words && <span className="line-clamp-2 text-sm">{message}</span>}
            </p>
            {act.undo && (
              <button type="button" className="leaf min-h-12 shrink-0" onClick={act.undo}>
                Undo
              </button>
            )}
          </>
        ) : (
          <p className="text-sm text-soft">What you record stands here, with its Undo.</p>
        )}
      </div>
    </Telling.Provider>
  );
}
