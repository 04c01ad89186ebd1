"use client";
import clsx from "clsx";
import { useState } from "react";
import { pairsToAsk, weightsFrom } from "@/core/selection/weights";
import { kindOf } from "@/core/traits/kinds";
import { numberTyped } from "@/core/writing/numbers";
import { Sheet } from "@/ui/Sheet";
import type { YardstickView } from "@/views/family";
import { useCommand } from "../common/command";
import { roundStep, unitOf } from "./yardstickWords";

/** Weights from questions that a grower can answer: this much of the one, or that much of the other? */
export function CompareWeights({ yardsticks }: { yardsticks: YardstickView[] }) {
  return (
    <div className="mt-3">
      <Sheet trigger="Weigh them by comparing pairs" title="What counts more?" plain>
        {(close) => <Pairs yardsticks={yardsticks} close={close} />}
      </Sheet>
    </div>
  );
}

/** A step of about one standard deviation, towards what is wanted. */
function stepInWords(y: YardstickView): string {
  const { name, wanted } = y;
  const { sides } = kindOf(y);
  const step = `${numberTyped(roundStep(y.family?.spread ?? 0))} ${unitOf(y)}`.trim();
  switch (wanted) {
    case "category":
      return `${name}: ${y.targetWord}, not another`;
    case "yes":
    case "no":
      return `${name}: ${wanted}`;
    case "target":
    case "range":
      return `${name}: ${step} nearer`;
    case "low":
      return `${name}: ${step} ${sides.less}`;
    default:
      return `${name}: ${step} ${sides.more}`;
  }
}

const TIMES: [number, string][] = [
  [3, "much rather"],
  [1.7, "rather"],
  [1, "the same to me"],
  [1 / 1.7, "rather"],
  [1 / 3, "much rather"],
];

function Pairs({ yardsticks, close }: { yardsticks: YardstickView[]; close: () => void }) {
  const pairs = pairsToAsk(yardsticks.length);
  const [answers, setAnswers] = useState<(number | null)[]>(pairs.map(() => null));
  const { run, busy } = useCommand();
  const given = pairs.flatMap(([one, other], i) => {
    const times = answers[i];
    return times == null ? [] : [{ one, other, times, pair: i }];
  });
  const { weights, contradicts } = weightsFrom(yardsticks.length, given);
  const wrong = contradicts === null ? null : given[contradicts]!.pair;
  const all = given.length === pairs.length;
  const keep = async () => {
    const told = yardsticks.map(({ id }, i) => ({ id, weight: weights[i]! }));
    if ((await run("yardstick.weigh", { weights: told }))?.ok) close();
  };
  return (
    <div className="grid grid-cols-1 gap-5">
      <p className="text-soft">If you could have only one of the two, for the next generation: which?</p>
      {pairs.map(([one, other], i) => (
        <fieldset key={`${one} ${other}`} className={clsx(wrong === i && "border-l-4 border-quince pl-3")}>
          <legend className="font-semibold">
            {stepInWords(yardsticks[one]!)}
            <span className="font-normal text-soft"> or </span>
            {stepInWords(yardsticks[other]!)}?
          </legend>
          <div className="mt-2 grid grid-cols-5 gap-1">
            {TIMES.map(([times, words], k) => (
              <button
                key={times}
                type="button"
                aria-pressed={answers[i] === times}
                aria-label={k === 2 ? words : `${words} ${(k < 2 ? yardsticks[one]! : yardsticks[other]!).name}`}
                onClick={() => setAnswers(answers.map((kept, at) => (at === i ? times : kept)))}
                className={clsx("leaf min-h-12 px-1 text-sm leading-tight", answers[i] === times && "leaf-strong")}
              >
                {k < 2 ? "← " : ""}
                {words}
                {k > 2 ? " →" : ""}
              </button>
            ))}
          </div>
          {wrong === i && (
            <p role="status" className="mt-1 text-sm text-quince">
              This answer does not go with the others: look at it once more, or keep the mean of them.
            </p>
          )}
        </fieldset>
      ))}
      <dl className="grid grid-cols-[1fr_auto] gap-x-4 gap-y-1 border-t border-rule pt-3">
        {yardsticks.map(({ id, name, weight }, i) => (
          <div key={id} className="contents">
            <dt className="break-words">{name}</dt>
            <dd className="text-right font-semibold">
              {numberTyped(weight)} → {given.length > 0 ? numberTyped(weights[i]!) : "…"}
            </dd>
          </div>
        ))}
      </dl>
      <button type="button" className="leaf leaf-strong min-h-12" disabled={busy || !all} onClick={() => void keep()}>
        {all ? "Keep these weights" : `Answer ${pairs.length - given.length} more`}
      </button>
    </div>
  );
}
