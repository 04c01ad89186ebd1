"use client";
import { useEffect, useState } from "react";

const AWAY = "The server did not answer. Open this once more when it does.";

/**
 * What an address answers, asked for once the page is there and anew when `since` changes; until then the last answer holds.
 * @param since changes when what is asked may have changed
 */
export function useAsked<T>(path: string, since: string | null): { answer: T | null; trouble: string | null } {
  const [answer, setAnswer] = useState<T | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what changes with `since` is behind the path
  useEffect(() => {
    const asking = new AbortController();
    fetch(path, { signal: asking.signal })
      .then(async (response) => {
        const said = await response.json();
        if (!response.ok) return setTrouble((said as { message: string }).message);
        setAnswer(said as T);
        setTrouble(null);
      })
      .catch(() => !asking.signal.aborted && setTrouble(AWAY));
    return () => asking.abort();
  }, [path, since]);
  return { answer, trouble };
}
