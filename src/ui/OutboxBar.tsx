"use client";
import { useRouter } from "next/navigation";
import { useEffect } from "react";
import { outbox, putAway, restingOn, sendWaiting, takeBack, tryAgain } from "./outbox";
import { useOutbox } from "./useOutbox";

const EVERY = 5_000;

/** Says what is kept on this device and what was refused, and keeps trying to send. */
export function OutboxBar() {
  const router = useRouter();
  const { waiting, aside, away } = useOutbox();
  useEffect(() => {
    const trySending = async () => {
      if (outbox().waiting.length === 0) return;
      const answers = await sendWaiting();
      if ([...answers.values()].some((a) => a.kind !== "away")) router.refresh();
    };
    void trySending();
    const timer = setInterval(() => void trySending(), EVERY);
    const now = () => void trySending();
    window.addEventListener("online", now);
    document.addEventListener("visibilitychange", now);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", now);
      document.removeEventListener("visibilitychange", now);
    };
  }, [router]);
  useEffect(() => {
    // Keeps today's pages on the device, for the far bed without a signal.
    if ("serviceWorker" in navigator && process.env.NODE_ENV === "production")
      void navigator.serviceWorker.register("/garden-worker");
  }, []);
  if (waiting.length + aside.length === 0) return null;
  return (
    <section aria-label="Kept on this device" className="sticky top-0 z-20 border-b-2 border-quince bg-leaf px-4 py-2">
      {waiting.length > 0 && (
        <p role="status">
          <strong>{waiting.length} kept on this device.</strong>{" "}
          {away ? "The server does not answer; they are sent in order when it does." : "They are being sent, in order."}
        </p>
      )}
      {away && waiting.length > 0 && (
        <details>
          <summary className="min-h-11 cursor-pointer py-2">Look at them, take one back</summary>
          <ul className="rows max-h-[50vh] overflow-y-auto border-y border-rule">
            {[...waiting].reverse().map((kept) => {
              const resting = restingOn(kept.id, waiting).length;
              return (
                <li key={kept.id} className="flex flex-wrap items-center justify-between gap-x-4 py-1">
                  <span>
                    {kept.words}
                    {resting > 0 && <span className="text-soft">, and {resting} that rest on it</span>}
                  </span>
                  <button
                    type="button"
                    className="leaf min-h-12"
                    aria-label={`Take back: ${kept.words}`}
                    onClick={() => void takeBack(kept.id)}
                  >
                    Take back
                  </button>
                </li>
              );
            })}
          </ul>
        </details>
      )}
      {aside.map((kept) => (
        <div key={kept.id} className="flex flex-wrap items-center gap-x-4 py-1">
          <p role="alert" className="text-rust">
            <strong>Not taken:</strong> {kept.words}. {kept.message}
          </p>
          <button type="button" className="leaf" onClick={() => void tryAgain(kept.id)}>
            Try again
          </button>
          <button type="button" className="leaf" onClick={() => void putAway(kept.id)}>
            Seen, put it away
          </button>
        </div>
      ))}
    </section>
  );
}
