"use client";
import { useState } from "react";
import { FilePick } from "@/ui/FilePick";
import { newPress } from "@/ui/press";
import type { Answer } from "@/ui/send";
import { send } from "@/ui/send";
import { useCommand } from "../common/command";
import { askedOf, type FileTold, ImportQuestion } from "../common/ImportQuestion";

/** The book as a file, out and in; in only after it was shown what would change. */
export function BookFile() {
  const { runAloud, busy } = useCommand();
  const [text, setText] = useState("");
  const [order, setOrder] = useState<FileTold["order"]>();
  const [answer, setAnswer] = useState<Answer | null>(null);
  const dryRun = async (content: string, said?: FileTold["order"]) => {
    setText(content);
    setOrder(said);
    setAnswer(await send("/api/commands/cross.import", { text: content, order: said, dryRun: true }, newPress()));
  };
  const takeIn = async () => {
    const done = await runAloud("cross.import", { text, order });
    if (!done?.ok) return setAnswer(done);
    setText("");
    setAnswer(null);
  };
  const changes = answer?.kind === "dry-run";
  const asked = answer !== null && askedOf(answer) !== undefined;
  const lines = asked ? [] : Object.entries(answer?.fields ?? {});
  return (
    <section className="mt-6 border-t border-rule pt-4">
      <h3>As a file</h3>
      <p className="my-3 flex flex-wrap gap-3">
        <a className="leaf" href="/api/crosses?format=csv">
          Save as CSV
        </a>
        <a className="leaf" href="/api/crosses?format=json">
          Save as JSON
        </a>
      </p>
      <FilePick
        label="Take in a CSV or JSON file"
        accept=".csv,.json,text/csv,application/json"
        onText={(content) => dryRun(content)}
      />
      <p className="mt-1 text-sm text-soft">
        The columns are those of a saved file. A line with a known code changes that cross&apos;s flowers; any other
        name makes a new cross of the stands, or of the pedigree (as A/B), in its line. All of it comes in, or nothing.
      </p>
      {answer && (
        <div role="status" className={changes || asked ? "mt-3" : "mt-3 text-rust"}>
          {asked ? (
            <ImportQuestion answer={answer} onSay={(told) => void dryRun(text, told.order)} />
          ) : (
            <p className="font-bold">{answer.message}</p>
          )}
          <ul className="mt-1 max-h-60 overflow-y-auto text-sm">
            {lines.map(([name, message]) => (
              <li key={name}>{changes ? message : `${name[0]!.toUpperCase()}${name.slice(1)}: ${message}`}</li>
            ))}
          </ul>
          {changes && lines.length > 0 && (
            <button type="button" className="leaf leaf-strong mt-3" disabled={busy} onClick={() => void takeIn()}>
              Take it in
            </button>
          )}
        </div>
      )}
    </section>
  );
}
