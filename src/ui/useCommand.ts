"use client";
import { useRouter } from "next/navigation";
import { useCallback, useRef, useState } from "react";
import { useLastAct } from "./LastAct";
import { outbox, post, takeBack } from "./outbox";
import { newPress } from "./press";
import { say } from "./say";
import { type Answer, send } from "./send";

type Commands = {
  run: (name: string, input: unknown) => Promise<Answer | null>;
  /** Runs, and says why where it was refused: for presses and drags, which have no field to put a message beside. */
  runAloud: (name: string, input: unknown) => Promise<Answer | null>;
  /** For work in the garden: kept on the device while the server is away, and then done as far as the person goes. */
  runKept: (name: string, input: unknown, words: string) => Promise<Answer | null>;
  runKeptAloud: (name: string, input: unknown, words: string) => Promise<Answer | null>;
  /** Takes a press back by its name: while it waits on this device, and after it was sent. */
  undo: (entry: string) => Promise<void>;
  busy: boolean;
};

/**
 * Carries out commands: one at a time, told with its undo when it is done (in the page's line of the last act, else in a
 * toast), the page drawn anew.
 * A press while one is under way is the same press.
 */
export function useCommand(): Commands {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const underWay = useRef(false);
  const line = useLastAct();

  const aloud = useCallback(
    (answer: Answer | null, words?: string): Answer | null => {
      if (!answer || answer.ok) return answer;
      if (line) line({ words: words ?? "Not taken", message: answer.message, undo: null, bad: true });
      else say({ message: answer.message, tone: "error", stands: 12_000 });
      return answer;
    },
    [line],
  );

  const mention = useCallback(
    (words: string) => (line ? line({ words, message: words, undo: null }) : say({ message: words })),
    [line],
  );

  const undo = useCallback(
    async (entry: string) => {
      // What was not sent yet is taken back here.
      if (outbox().waiting.some((kept) => kept.id === entry)) {
        await takeBack(entry);
        mention("Taken back before it was sent.");
        return;
      }
      const answer = await send("/api/undo", { entry }, newPress());
      if (answer.ok) mention(answer.message);
      else aloud(answer);
      router.refresh();
    },
    [router, mention, aloud],
  );

  const tell = useCallback(
    ({ entry, message, warnings = [] }: Answer, words = message) => {
      if (line) {
        line({ words, message: [message, ...warnings].join(" "), undo: entry ? () => void undo(entry) : null });
        router.refresh();
        return;
      }
      const action = entry ? { label: "Undo", onClick: () => void undo(entry) } : undefined;
      say({ message, stands: 8_000, action });
      for (const warning of warnings) say({ message: warning, tone: "warning", stands: 15_000 });
      router.refresh();
    },
    [router, undo, line],
  );

  /** One at a time; null for a press that came while another was under way. */
  const once = useCallback(async (work: () => Promise<Answer>): Promise<Answer | null> => {
    if (underWay.current) return null;
    underWay.current = true;
    setBusy(true);
    try {
      return await work();
    } finally {
      underWay.current = false;
      setBusy(false);
    }
  }, []);

  const run = useCallback(
    async (name: string, input: unknown) => {
      const answer = await once(() => send(`/api/commands/${name}`, input, newPress()));
      if (answer?.ok) tell(answer);
      return answer;
    },
    [once, tell],
  );
  const runAloud = useCallback(async (name: string, input: unknown) => aloud(await run(name, input)), [run, aloud]);
  const runKept = useCallback(
    (name: string, input: unknown, words: string) =>
      once(async () => {
        const answer = await post(name, input, words);
        if (answer?.ok) tell(answer, words);
        if (!answer && line) {
          const kept = outbox().waiting.findLast((one) => one.words === words);
          const undone = kept ? () => void undo(kept.id) : null;
          line({ words, message: words, undo: undone, waits: kept?.id });
        }
        return answer ?? { ok: true, message: words };
      }),
    [once, tell, line, undo],
  );
  const runKeptAloud = useCallback(
    async (name: string, input: unknown, words: string) => aloud(await runKept(name, input, words), words),
    [runKept, aloud],
  );
  return { run, runAloud, runKept, runKeptAloud, undo, busy };
}
