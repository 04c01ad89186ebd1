import type { LastScore } from "./useScoring";

/** The score that was just given, always at one place, with its Undo. */
export function LastScoreLine({ last, onUndo }: { last: LastScore | null; onUndo: () => void }) {
  return (
    <div
      role="status"
      aria-label="Last score"
      className="flex min-h-13 items-center justify-between gap-3 py-1 print:hidden"
    >
      {last ? (
        <>
          <p className={last.trouble ? "font-bold text-rust" : ""}>
            <strong>{last.words}</strong>
            {last.trouble && <span className="block font-normal">{last.trouble}</span>}
          </p>
          {!last.trouble && (
            <button type="button" className="leaf min-h-11 shrink-0" onClick={onUndo}>
              Undo
            </button>
          )}
        </>
      ) : (
        <p className="text-sm text-soft">What you score stands here, with its Undo.</p>
      )}
    </div>
  );
}
