"use client";
import { useId, useState } from "react";
import { FilePick } from "@/ui/FilePick";
import { newPress } from "@/ui/press";
import { Sheet } from "@/ui/Sheet";
import { type Answer, send } from "@/ui/send";
import { Choices } from "../common/Choices";
import { useCommand } from "../common/command";

/** A pedigree that is known elsewhere comes in, after it was shown what it would bring. */
export function PedigreeIn() {
  return (
    <Sheet trigger="Bring in a pedigree" title="A pedigree" plain>
      {(close) => <Bringing onDone={close} />}
    </Sheet>
  );
}

function Bringing({ onDone }: { onDone: () => void }) {
  const { runAloud, busy } = useCommand();
  const id = useId();
  const [kind, setKind] = useState("");
  const [text, setText] = useState("");
  const [answer, setAnswer] = useState<Answer | null>(null);
  const look = async (words: string) => {
    setText(words);
    setAnswer(await send("/api/commands/line.pedigree", { species: kind, text: words, dryRun: true }, newPress()));
  };
  const takeIn = async () => {
    const done = await runAloud("line.pedigree", { species: kind, text });
    if (!done?.ok) return setAnswer(done);
    onDone();
  };
  const changes = answer?.kind === "dry-run";
  return (
    <div className="grid gap-4">
      <div className="grid gap-1 font-semibold">
        <label htmlFor={id}>Species</label>
        <Choices of="species">
          {({ species }) => (
            <select
              id={id}
              value={kind}
              onChange={({ target }) => {
                setKind(target.value);
                setAnswer(null);
              }}
            >
              <option value="">Choose one</option>
              {species.map(({ value, label }) => (
                <option key={value} value={value}>
                  {label}
                </option>
              ))}
            </select>
          )}
        </Choices>
      </div>
      <label className="grid gap-1 font-semibold">
        Pedigree
        <textarea
          rows={8}
          value={text}
          placeholder={"Lantern = Ashlar Gold/Nettle Moon\nLantern back = Lantern*2/Nettle Moon"}
          onChange={({ target }) => {
            setText(target.value);
            setAnswer(null);
          }}
        />
        <span className="text-sm font-normal text-soft">
          {
            "A line each: Name = Mother/Father, later crosses with // and /3/, a parent that comes back as A*2. Or a CSV with columns name, mother, father, and year if you like."
          }
        </span>
      </label>
      <FilePick label="Or from a file" accept=".csv,.txt,text/csv,text/plain" onText={look} />
      {answer && (
        <div role="status" className={changes ? "" : "text-rust"}>
          <p className="font-bold">{answer.message}</p>
          <ul className="mt-1 max-h-60 overflow-y-auto text-sm">
            {Object.entries(answer.fields ?? {}).map(([name, message]) => (
              <li key={name}>{changes ? message : `${name.charAt(0).toUpperCase()}${name.slice(1)}: ${message}`}</li>
            ))}
          </ul>
        </div>
      )}
      <div className="flex flex-wrap gap-3">
        <button
          type="button"
          className="leaf"
          disabled={busy || text.trim() === "" || kind === ""}
          onClick={() => void look(text)}
        >
          Show what it would bring
        </button>
        {changes && Object.keys(answer.fields ?? {}).length > 0 && (
          <button type="button" className="leaf leaf-strong" disabled={busy} onClick={() => void takeIn()}>
            Bring it in
          </button>
        )}
      </div>
    </div>
  );
}
