"use client";
import { plural } from "@/core/units/plural";
import { writtenAs } from "@/core/writing/locale";
import type { Difference, MergeReport } from "@/records/mergeReport";

export type Side = Difference["taken"];

const moment = (at: string) =>
  new Date(at).toLocaleString(writtenAs(), {
    day: "numeric",
    month: "short",
    year: "numeric",
    hour: "2-digit",
    minute: "2-digit",
  });

export function ComesIn({ report: { count, own, rows, presses }, name }: { report: MergeReport; name: string }) {
  return (
    <section className="mt-8">
      <h3 className="text-xl">
        {plural(count, "entry", "entries")} of {name} {count === 1 ? "comes" : "come"} in
      </h3>
      <p className="mt-1 text-soft">
        {own === 0
          ? "Nothing was written here since the two parted."
          : `${plural(own, "entry", "entries")} of this copy alone ${own === 1 ? "stays" : "stay"}.`}
      </p>
      <ul className="mt-2 flex flex-wrap gap-x-6 gap-y-1">
        {rows.map(({ table, added, changed, removed }) => (
          <li key={table}>
            <strong className="capitalize">{table}</strong>:{" "}
            {[
              [added, "new"],
              [changed, "changed"],
              [removed, "taken away"],
            ]
              .filter(([n]) => n)
              .map(([n, word]) => `${n} ${word}`)
              .join(", ")}
          </li>
        ))}
      </ul>
      <details className="mt-3">
        <summary>What was pressed there{count > presses.length ? `, the last ${presses.length}` : ""}</summary>
        <ul className="rows mt-2 border-y border-rule text-sm">
          {presses.map(({ summary, at }, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: the list never changes while it is shown
            <li key={i} className="flex flex-wrap justify-between gap-x-4 py-1.5">
              <span>{summary}</span>
              <span className="text-soft">{moment(at)}</span>
            </li>
          ))}
        </ul>
      </details>
    </section>
  );
}

const NAMES: Record<Side, string> = { ours: "This copy", theirs: "The other copy" };

const ASKED: Record<Difference["about"], string> = {
  value: "Which holds?",
  removed: "One copy took it away, the other changed it. Which holds?",
  row: "The two can’t stand together. Which copy’s holds, as a whole?",
  number: "Both gave this number. Who keeps it? The other gets the next free one; write it on its tag.",
};

/** From so many questions on, they can be answered together. */
const MANY = 4;

type Choosing = { answers: Record<string, Side>; choose: (question: string, side: Side) => void };

export function Questions({ list, answers, choose }: { list: Difference[] } & Choosing) {
  if (list.length === 0) return null;
  return (
    <section className="mt-8">
      <h3 className="text-xl">{plural(list.length, "question")} for you</h3>
      {list.length > MANY && (
        <p className="mt-2 flex flex-wrap items-center gap-4">
          <span className="text-soft">All at once:</span>
          {(["ours", "theirs"] as const).map((side) => (
            <button
              key={side}
              type="button"
              className="leaf leaf-plain"
              onClick={() => {
                for (const { id } of list) choose(id, side);
              }}
            >
              {NAMES[side]} holds
            </button>
          ))}
        </p>
      )}
      {list.map((question) => (
        <Question key={question.id} question={question} answer={answers[question.id]} choose={choose} />
      ))}
    </section>
  );
}

function Question({ question, answer, choose }: { question: Difference; answer?: Side } & Pick<Choosing, "choose">) {
  const { id, name, about } = question;
  return (
    <fieldset className="mt-4 border-t border-rule pt-3">
      <legend className="float-left w-full font-semibold">{name}</legend>
      <p className="clear-both text-soft">{ASKED[about]}</p>
      {(["ours", "theirs"] as const).map((side) => {
        const { words, at, summary } = question[side];
        return (
          <label key={side} className="mt-2 flex min-h-12 items-baseline gap-3">
            <input
              type="radio"
              className="shrink-0"
              name={id}
              checked={answer === side}
              onChange={() => choose(id, side)}
            />
            <span>
              <strong>{NAMES[side]}:</strong> {words}
              {at && (
                <span className="block text-sm text-soft">
                  {moment(at)}: {summary}
                </span>
              )}
            </span>
          </label>
        );
      })}
    </fieldset>
  );
}

export function Both({ list }: { list: Difference[] }) {
  if (list.length === 0) return null;
  return (
    <section className="mt-8">
      <h3 className="text-xl">Both changed {plural(list.length, "thing")}; what is in bold holds</h3>
      <ul className="rows mt-2 border-y border-rule">
        {list.map(({ id, name, taken, ...sides }) => (
          <li key={id} className="py-2">
            <span className="font-semibold">{name}</span>
            {(["ours", "theirs"] as const).map((side) => (
              <span key={side} className="block text-sm">
                {NAMES[side]}: {side === taken ? <strong>{sides[side].words}</strong> : sides[side].words}
                {sides[side].at && <span className="text-soft"> ({moment(sides[side].at)})</span>}
              </span>
            ))}
          </li>
        ))}
      </ul>
    </section>
  );
}

export function Look({ list }: { list: MergeReport["look"] }) {
  if (list.length === 0) return null;
  return (
    <section className="mt-8">
      <h3 className="text-xl">To set right afterwards</h3>
      <p className="mt-1 text-soft">Both copies are right by themselves; together they don’t fit. Both are kept.</p>
      <ul className="rows mt-2 border-y border-rule">
        {list.map(({ name, message }) => (
          <li key={name + message} className="py-2">
            <strong>{name}.</strong> {message}
          </li>
        ))}
      </ul>
    </section>
  );
}
