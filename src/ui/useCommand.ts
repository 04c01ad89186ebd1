"use client";
import { useRouter } from "next/navigation";
import { useCallback, useRef, useState } from "react";
import { toast } from "sonner";
import { type Answer, newRequest, send } from "./send";

/**
 * Carries out commands: one at a time, a toast with undo when it is done, the page drawn anew.
 * A press while one is under way is the same press.
 */
export function useCommand(): {
  run: (name: string, input: unknown) => Promise<Answer | null>;
  /** Runs, and says why where it was refused: for presses and drags, which have no field to put a message beside. */
  runAloud: (name: string, input: unknown) => Promise<Answer | null>;
  busy: boolean;
} {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const underWay = useRef(false);

  const undo = useCallback(
    async (entry: number) => {
      const answer = await send("/api/undo", { entry }, newRequest());
      if (answer.ok) toast(answer.message);
      else toast.error(answer.message, { duration: 12_000 });
      router.refresh();
    },
    [router],
  );

  const run = useCallback(
    async (name: string, input: unknown) => {
      if (underWay.current) return null;
      underWay.current = true;
      setBusy(true);
      const answer = await send(`/api/commands/${name}`, input, newRequest());
      underWay.current = false;
      setBusy(false);
      if (answer.ok) {
        const { entry } = answer;
        toast(answer.message, {
          duration: 8_000,
          action: entry ? { label: "Undo", onClick: () => void undo(entry) } : undefined,
        });
        for (const warning of answer.warnings ?? []) toast.warning(warning, { duration: 15_000 });
        router.refresh();
      }
      return answer;
    },
    [router, undo],
  );
  const runAloud = useCallback(
    async (name: string, input: unknown) => {
      const answer = await run(name, input);
      if (answer && !answer.ok) toast.error(answer.message, { duration: 12_000 });
      return answer;
    },
    [run],
  );
  return { run, runAloud, busy };
}
