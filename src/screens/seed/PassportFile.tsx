"use client";
import { useState } from "react";
import { FilePick } from "@/ui/FilePick";
import { newPress } from "@/ui/press";
import { type Answer, send } from "@/ui/send";
import { useCommand } from "../common/command";

/** The drawer as files, and seed taken in by its passports; in only after it was shown what would come. */
export function PassportFile() {
  const { runAloud, busy } = useCommand();
  const [text, setText] = useState("");
  const [seedsEach, setSeedsEach] = useState("");
  const [answer, setAnswer] = useState<Answer | null>(null);
  const input = (content: string) => ({ text: content, seedsEach: seedsEach.trim() === "" ? null : Number(seedsEach) });
  const look = async (content: string) => {
    setText(content);
    setAnswer(await send("/api/commands/passport.import", { ...input(content), dryRun: true }, newPress()));
  };
  const takeIn = async () => {
    const done = await runAloud("passport.import", input(text));
    if (!done?.ok) return setAnswer(done);
    setText("");
    setAnswer(null);
  };
  const changes = answer?.kind === "dry-run";
  return (
    <section>
      <p className="my-3 flex flex-wrap gap-3">
        <a className="leaf" href="/api/drawer">
          Drawer as CSV
        </a>
        <a className="leaf" href="/api/drawer?as=passport">
          Passports as CSV
        </a>
      </p>
      <p className="mb-3 text-sm text-soft">
        Passports are the FAO/Bioversity multi-crop passport descriptors, as seed banks exchange them.
      </p>
      <label className="mb-3 block">
        <span className="block font-semibold">Seeds of each, where the file says none</span>
        <input inputMode="numeric" value={seedsEach} onChange={(event) => setSeedsEach(event.target.value)} />
      </label>
      <FilePick label="Take in passports" accept=".csv,.txt,text/csv" onText={look} />
      {answer && (
        <div role="status" className={changes ? "mt-3" : "mt-3 text-rust"}>
          <p className="font-bold">{answer.message}</p>
          <ul className="mt-1 max-h-60 overflow-y-auto text-sm">
            {Object.entries(answer.fields ?? {}).map(([name, message]) => (
              <li key={name}>{changes ? message : `${name.charAt(0).toUpperCase()}${name.slice(1)}: ${message}`}</li>
            ))}
          </ul>
          {changes && (
            <button type="button" className="leaf leaf-strong mt-3" disabled={busy} onClick={() => void takeIn()}>
              Take it in
            </button>
          )}
        </div>
      )}
    </section>
  );
}
