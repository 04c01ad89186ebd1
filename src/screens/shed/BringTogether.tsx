"use client";
import { useRouter } from "next/navigation";
import { useId, useState } from "react";
import { plural } from "@/core/units/plural";
import { figure } from "@/core/writing/numbers";
import type { Outcome } from "@/records/command";
import type { MergeReport } from "@/records/mergeReport";
import Link from "@/ui/Link";
import { newPress, type Press } from "@/ui/press";
import { type Progress, useJob } from "@/ui/useJob";
import { Both, ComesIn, Look, Questions, type Side } from "./MergeReport";

type Result = { outcome: Outcome; report: MergeReport | null };

type Seen = { report: MergeReport; press: Press };

/** The other copy is chosen and looked at; a person decides what must be decided; then all comes in, or nothing. */
export function BringTogether() {
  const looking = useJob<Result>("/api/merge");
  const bringing = useJob<Result>("/api/merge/bring");
  const [seen, setSeen] = useState<Seen | null>(null);
  const [answers, setAnswers] = useState<Record<string, Side>>({});
  const [name, setName] = useState("");
  const [said, setSaid] = useState<{ ok: boolean; words: string } | null>(null);
  const router = useRouter();
  const id = useId();

  const look = async (file: File | undefined) => {
    setSeen(null);
    setSaid(null);
    setAnswers({});
    if (!file) return;
    setName(file.name);
    const end = await looking.run(file);
    if (!end) return;
    if (!end.ok) return setSaid({ ok: false, words: end.message });
    const { outcome, report } = end.result;
    if (!outcome.ok || !report) return setSaid({ ok: false, words: outcome.message });
    // The press keeps its name until the server has answered, so that it is carried out once.
    setSeen({ report, press: newPress() });
  };

  const bring = async ({ press }: Seen) => {
    setSaid(null);
    const end = await bringing.run({ answers }, press);
    if (!end) return;
    const told = end.ok ? end.result.outcome : { ok: false, message: end.message };
    setSaid({ ok: told.ok, words: told.message });
    if (!told.ok) return;
    setSeen(null);
    router.refresh();
  };

  const open = seen?.report.questions.filter((question) => !answers[question.id]).length ?? 0;
  const progress = looking.progress ?? bringing.progress;
  return (
    <div className="mt-6 max-w-3xl">
      <label htmlFor={id} className="block font-semibold">
        The other copy
      </label>
      <input
        id={id}
        type="file"
        accept=".db,.bak,.zip,application/vnd.sqlite3,application/zip"
        className="mt-1"
        disabled={progress !== null}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = "";
          void look(file);
        }}
      />
      {progress && <Going progress={progress} stop={looking.progress ? looking.stop : bringing.stop} />}
      {said && (
        <p role={said.ok ? "status" : "alert"} className={`mt-4 font-semibold ${said.ok ? "" : "text-rust"}`}>
          {said.words}
          {said.ok && (
            <>
              {". "}
              <Link href="/shed/history">It can be taken back in the history</Link>
            </>
          )}
        </p>
      )}
      {seen && !progress && (
        <>
          <ComesIn report={seen.report} name={name} />
          <Questions
            list={seen.report.questions}
            answers={answers}
            choose={(question, side) => setAnswers((known) => ({ ...known, [question]: side }))}
          />
          <Both list={seen.report.both} />
          <Look list={seen.report.look} />
          <p className="mt-8 flex flex-wrap items-center gap-4">
            <button type="button" className="leaf leaf-strong" disabled={open > 0} onClick={() => void bring(seen)}>
              Bring it in
            </button>
            <button type="button" className="leaf leaf-plain" onClick={() => setSeen(null)}>
              Leave it
            </button>
            {open > 0 && <span className="text-soft">{plural(open, "question")} above to answer first.</span>}
          </p>
        </>
      )}
    </div>
  );
}

function Going({ progress: { doing, done, of }, stop }: { progress: Progress; stop: () => void }) {
  return (
    <p role="status" className="mt-4 flex flex-wrap items-center gap-4">
      <span>
        {doing}
        {of > 0 ? `: ${figure(done)} of ${figure(of)}` : " …"}
      </span>
      {of > 0 && <progress value={done} max={of} aria-label={doing} />}
      <button type="button" className="leaf leaf-plain" onClick={stop}>
        Stop
      </button>
    </p>
  );
}
