import { plural } from "@/core/units/plural";
import type { Raised as RaisedView } from "@/views/raising";
import { Beside } from "./Beside";
import { percent, reckonedPercent } from "./words";

const STAGES = { up: "Came up", potted: "Pricked out or singled", standing: "Stand, or could" } as const;
const VERDICTS = { "as usual": "as usual", worse: "worse than usual", better: "better than usual" } as const;

/** How a stand was raised: what was counted at each stage beside what is usual, and how it came up beside its neighbours. */
export function Raised({ raised: { stages, spare, came } }: { raised: RaisedView }) {
  if (stages.length === 0) return null;
  return (
    <section className="my-5 max-w-2xl" aria-label="How it was raised">
      <h3>How it was raised</h3>
      <dl className="rows mt-1 border-y border-rule">
        {stages.map(({ stage, through, of, usual, verdict }) => (
          <div key={stage} className="grid grid-cols-[9rem_1fr] gap-3 py-2">
            <dt className="text-soft">{STAGES[stage]}</dt>
            <dd>
              <strong>
                {through} of {of}
              </strong>
              {of > 0 && `, ${percent(through / of)}`}
              {stage === "up" && came?.days != null && `, after ${plural(came.days, "day")}`}
              {stage === "standing" && spare ? `, ${spare} of them to spare` : ""}
              {usual && (
                <span className={`block text-sm ${verdict === "worse" ? "font-semibold text-rust" : "text-soft"}`}>
                  {verdict && `${VERDICTS[verdict]}: `}
                  {reckonedPercent(usual.low)} to {reckonedPercent(usual.high)}
                </span>
              )}
              {stage === "up" && came && <Beside beside={came.beside} />}
            </dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
