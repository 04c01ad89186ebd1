"use client";
import { type Day, dayInWords } from "@/core/calendar/day";
import { STEP_WORDS, type Stage, type Step } from "@/core/work/life";
import Link from "@/ui/Link";
import { Sheet } from "@/ui/Sheet";
import type { LivedStand } from "@/views/lived";
import { CommandButton, CommandForm } from "./command";
import { EndSheet } from "./EndSheet";
import { sentence } from "./words";

const STAGES: Record<Stage, string> = {
  ...STEP_WORDS,
  planned: "Planned",
  done: "Finished",
  lost: "Lost",
  pulled: "Pulled up",
};
const ORDER = Object.keys(STEP_WORDS).filter((step) => step !== "endedOn") as Exclude<Step, "endedOn">[];

type Props = { stand: LivedStand; today: Day };

/** Where a stand is in its life, the days of its steps, and the presses that no task asks for. */
export function StandLife({ stand, today }: Props) {
  const { id, version, stage, ending, endedOn, endedWhy, planned, sown } = stand;
  const taken = planned ? [] : ORDER.filter((step) => stand[step] && stand[step] <= today);
  const press = (step: "setOn" | "ripeOn", words: string) =>
    stand[step] === null &&
    stand.firstFlower !== null && (
      <CommandButton command="stand.change" input={{ id, version, [step]: today }}>
        {words}
      </CommandButton>
    );
  return (
    <section className="mt-4" aria-label="Its life">
      <p>
        <strong>{sentence(STAGES[stage])}</strong>
        {stage === "planned" && `, to be sown ${dayInWords(sown)}`}
        {ending && endedOn && ` on ${dayInWords(endedOn)}${endedWhy ? `: ${endedWhy}` : ""}`}
        {taken.length > 0 && (
          <span className="block text-sm text-soft">
            {taken.map((step) => `${STEP_WORDS[step]} ${dayInWords(stand[step]!)}`).join(", ")}
          </span>
        )}
      </p>
      {stand.looks.length > 0 && (
        <p className="mt-1 text-sm text-soft">
          In store{stand.storedIn && ` (${stand.storedIn})`}:{" "}
          {stand.looks.map(({ on, counted }) => `${counted ?? "?"} sound ${dayInWords(on)}`).join(", ")}.
        </p>
      )}
      {(stand.overwinter === "lifted" || stand.liftedOn) && (
        <p className="mt-2">
          <Link href={`/nursery/${stand.code}/roguing`}>Sort at lifting and replanting</Link>
        </p>
      )}
      <p className="mt-3 flex flex-wrap gap-3">
        {ending ? (
          <CommandButton command="stand.bring-back" input={{ id, version }}>
            Bring it back
          </CommandButton>
        ) : (
          <>
            {press("setOn", "First set today")}
            {press("ripeOn", "First ripe today")}
            {stand.planned === 0 && <GoOn stand={stand} />}
            <EndSheet
              command="stand.end"
              of={stand}
              name={`${stand.code} ${stand.lineName}`}
              today={today}
              endings={[
                { value: "done", label: "Finished: gathered and cleared" },
                { value: "lost", label: "Lost: frost, slugs, drought, a mishap" },
                { value: "pulled", label: "Pulled up: not wanted" },
              ]}
              hint="Its records stay, and it can be brought back."
            />
          </>
        )}
      </p>
    </section>
  );
}

/** Plants that live on through the winter stand in the next season too. */
function GoOn({ stand: { id, version, code, lineName } }: Pick<Props, "stand">) {
  return (
    <Sheet trigger="It lives on" title={`${code} ${lineName} lives on`} plain>
      {(close) => (
        <CommandForm
          command="stand.go-on"
          draft={`go-on-${id}`}
          values={{ wintering: "house" }}
          hidden={{ id, version }}
          submit="Go on next season"
          onDone={close}
        >
          {(Field) => (
            <Field
              name="wintering"
              label="Over the winter"
              type="select"
              choices={[
                { value: "house", label: "In the house: taken in, looked after, put out again" },
                { value: "outside", label: "Where it stands: mulched" },
              ]}
              hint="The plants that stand go on as a stand of the next season, under the same numbers. What is to be done comes on Today."
            />
          )}
        </CommandForm>
      )}
    </Sheet>
  );
}
