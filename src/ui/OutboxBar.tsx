"use client";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { type Outbox, outbox, putAway, restingOn, sendWaiting, takeBack, tryAgain } from "./outbox";
import { useOutbox } from "./useOutbox";

const EVERY = 5_000;
/** What is answered within this is not spoken of: what comes and goes moves the page under the next press, ms. */
const SHORT = 2_000;

/** Whether it is said that something waits: once the server is away or it has waited for long, until nothing waits. */
function useTold({ waiting, away }: Outbox): boolean {
  const [told, setTold] = useState(false);
  const pressed = waiting[0]?.at;
  useEffect(() => {
    if (!pressed) return setTold(false);
    if (away) return setTold(true);
    const left = Math.min(SHORT, Date.parse(pressed) + SHORT - Date.now());
    const timer = setTimeout(() => setTold(true), left);
    return () => clearTimeout(timer);
  }, [pressed, away]);
  return told && waiting.length > 0;
}

const inWords = (count: number, away: boolean): string => {
  const [they, order] = count === 1 ? ["it is", ""] : ["they are", " in order"];
  return away ? `The server does not answer; ${they} sent${order} when it does.` : `Still on the way${order}.`;
};

/** Says what is kept on this device for long and what was refused, and keeps trying to send. */
export function OutboxBar() {
  const router = useRouter();
  const lying = useOutbox();
  const { waiting, aside, away } = lying;
  const told = useTold(lying);
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
  if (!told && aside.length === 0) return null;
  return (
    <section aria-label="Kept on this device" className="sticky top-0 z-20 border-b-2 border-quince bg-leaf px-4 py-2">
      {told && (
        <p role="status">
          <strong>{waiting.length} kept on this device.</strong> {inWords(waiting.length, away)}
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
