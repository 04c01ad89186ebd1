"use client";
import { type Day, dayInWords } from "@/core/calendar/day";
import { STEP_WORDS, type Stage, type Step } from "@/core/work/life";
import { Sheet } from "@/ui/Sheet";
import type { GroundStand } from "@/views/ground";
import { CommandButton, CommandForm, Field } from "../common/command";
import { percent, sentence, WINTERS } from "../common/words";

const STAGES: Record<Stage, string> = {
  ...STEP_WORDS,
  planned: "Planned",
  done: "Finished",
  lost: "Lost",
  pulled: "Pulled up",
};
const ORDER = Object.keys(STEP_WORDS).filter((step) => step !== "endedOn") as Exclude<Step, "endedOn">[];

type Props = { stand: GroundStand; today: Day };

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
      <p className="mt-3 flex flex-wrap gap-3">
        {ending ? (
          <CommandButton command="stand.bring-back" input={{ id, version }}>
            Bring it back
          </CommandButton>
        ) : (
          <>
            {press("setOn", "First set today")}
            {press("ripeOn", "First ripe today")}
            <End stand={stand} today={today} />
          </>
        )}
      </p>
    </section>
  );
}

function End({ stand: { id, version, code, lineName }, today }: Props) {
  return (
    <Sheet trigger="It has ended" title={`${code} ${lineName} has ended`} plain>
      {(close) => (
        <CommandForm
          command="stand.end"
          draft={`end-${id}`}
          values={{ ending: "done", on: today, why: null }}
          hidden={{ id, version }}
          submit="Keep"
          onDone={close}
        >
          <Field
            name="ending"
            label="How"
            type="select"
            choices={[
              { value: "done", label: "Finished: gathered and cleared" },
              { value: "lost", label: "Lost: frost, slugs, drought, a mishap" },
              { value: "pulled", label: "Pulled up: not wanted" },
            ]}
          />
          <Field name="on" label="On" type="date" />
          <Field name="why" label="Why" hint="Its records stay, and it can be brought back." />
        </CommandForm>
      )}
    </Sheet>
  );
}

/** The three ways through the winter side by side, each with the share that comes through; a press chooses one. */
export function WinterWays({ stand }: { stand: GroundStand }) {
  if (!stand.winterWays || stand.firstFlower || stand.replantedOn || stand.ending) return null;
  const { id, version, overwinter } = stand;
  return (
    <section className="mt-4" aria-label="Over the winter">
      <h3>Over the winter</h3>
      <p className="text-sm text-soft">
        It flowers in its second year. Reckoned from your normals and what the crop stands; many do two of them.
      </p>
      <ul className="rows mt-2 border-y border-rule">
        {stand.winterWays.map(({ way, low, likely, high }) => (
          <li key={way} className="flex items-center justify-between gap-3 py-2">
            <span>
              <strong>{WINTERS[way]}</strong>
              <span className="block text-sm text-soft">
                about {percent(likely)} come through ({percent(low)} to {percent(high)})
              </span>
            </span>
            {way === overwinter ? (
              <span className="text-sm text-moss">chosen</span>
            ) : (
              <CommandButton command="stand.change" input={{ id, version, overwinter: way }}>
                Choose
              </CommandButton>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
