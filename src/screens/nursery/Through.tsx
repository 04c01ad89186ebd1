"use client";
import { useState } from "react";
import { dayInWords } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { HARDSHIPS, type Hardship } from "@/core/selection/hardships";
import { plural } from "@/core/units/plural";
import { Sheet } from "@/ui/Sheet";
import type { Family } from "@/views/family";
import { CommandButton, CommandForm } from "../common/command";
import { percent } from "../common/words";
import { PlantGrid } from "./ChoosePlants";

type Props = { view: Family };

const WORDS: Record<Hardship, string> = {
  frost: "Frost",
  drought: "Drought",
  heat: "Heat",
  wet: "Wet, flood",
  pest: "A pest",
  disease: "A disease",
  weeds: "Weeds",
  neglect: "Neglect",
};

/** Survival first: who came through what, then who passes the thresholds of taste and use. */
export function Through({ view }: Props) {
  const { trials, stand } = view;
  const own = trials.filter(({ standId }) => standId === stand.id);
  return (
    <section aria-label="Who came through" className="mb-8">
      <h2>Who came through?</h2>
      {own.length === 0 ? (
        <p className="mt-2 text-soft">
          A mix is chosen by what it lives through. Say what came, a frost, a dry month, a plague of slugs, and who was
          lost to it.
        </p>
      ) : (
        <ul className="rows mt-2 border-y border-rule">
          {own.map((one) => (
            <Trial key={one.id} one={one} trials={trials} />
          ))}
        </ul>
      )}
      <div className="mt-3">
        <Sheet trigger="It came through something" title={`${stand.code}: what came, and who was lost`}>
          {(close) => <Adding view={view} close={close} />}
        </Sheet>
      </div>
      <Thresholds view={view} />
    </section>
  );
}

type TrialProps = { one: Family["trials"][number]; trials: Family["trials"] };

function Trial({ one, trials }: TrialProps) {
  const { id, version, what, endedOn, words, stood, lost, through, standId } = one;
  const sisters = trials.filter(
    (other) => other.what === what && other.standId !== standId && near(other.endedOn, endedOn),
  );
  return (
    <li className="py-2">
      <div className="flex items-start justify-between gap-3">
        <span>
          <strong>{WORDS[what]}</strong>, {dayInWords(endedOn)}: {stood - lost} of {stood} came through
          <span className="block text-sm text-soft">
            {percent(through.likely)} ({percent(through.low)} to {percent(through.high)}){words && `; ${words}`}
          </span>
          {sisters.map((other) => (
            <span key={other.id} className="block text-sm text-soft">
              {other.code}: {other.stood - other.lost} of {other.stood}
              {other.through.low > through.high
                ? ", clearly more"
                : other.through.high < through.low
                  ? ", clearly fewer"
                  : ", not to be told apart"}
            </span>
          ))}
        </span>
        <CommandButton command="trial.drop" input={{ id, version }} label={`Strike out: ${WORDS[what]}`} plain>
          Strike out
        </CommandButton>
      </div>
    </li>
  );
}

/** Days in which one hardship is the same for two families. */
const SAME = 14;
const near = (a: string, b: string) => Math.abs(Date.parse(a) - Date.parse(b)) <= SAME * 86_400_000;

function Adding({ view, close }: Props & { close: () => void }) {
  const { stand, plants } = view;
  const standing = plants.filter(({ removedOn }) => removedOn === null);
  const [lost, setLost] = useState<ReadonlySet<Id>>(new Set());
  return (
    <CommandForm
      command="trial.add"
      draft={`trial-${stand.id}`}
      values={{ what: "frost", endedOn: null, words: null, ...(plants.length === 0 ? { lost: null } : {}) }}
      hidden={{ standId: stand.id, lostIds: standing.filter(({ id }) => lost.has(id)).map(({ id }) => id) }}
      submit={plants.length === 0 ? "Save" : `${standing.length - lost.size} of ${standing.length} came through`}
      onDone={close}
    >
      {(Field) => (
        <>
          <Field
            name="what"
            label="What it was"
            type="select"
            choices={HARDSHIPS.map((value) => ({ value, label: WORDS[value] }))}
          />
          <Field name="words" label="How hard it was" hint="As three nights of −4 °C, or five weeks without rain." />
          <Field name="endedOn" label="When it was over" type="date" hint="Empty: today." />
          {plants.length === 0 ? (
            <Field name="lost" label="Plants lost to it" type="number" />
          ) : (
            <PlantGrid legend="Lost to it" plants={standing} chosen={lost} onChange={setLost} />
          )}
        </>
      )}
    </CommandForm>
  );
}

/** Of those that live, who passes every floor, ceiling and word that must be. */
function Thresholds({ view: { passing, plants, yardsticks } }: Props) {
  if (plants.length === 0) return null;
  const { pass, fail, open } = passing;
  const bounded = yardsticks.some(({ floor, ceiling, must }) => floor !== null || ceiling !== null || must === 1);
  const numberOf = new Map(plants.map(({ id, number }) => [id, number]));
  const numbers = (ids: Id[]) => ids.map((id) => numberOf.get(id)).join(", ");
  const toKeep = plants.filter(({ id, mark }) => pass.includes(id) && mark === "none").map(({ id }) => id);
  if (!bounded)
    return (
      <p className="mt-3 text-soft">
        No threshold is set: give a yardstick a floor, a ceiling, or a word that must be, and those that live are held
        against it.
      </p>
    );
  return (
    <div className="mt-4">
      <h3>{pass.length} of those that live pass</h3>
      {pass.length > 0 && <p>Plants {numbers(pass)}.</p>}
      {fail.map(({ name, ids }) => (
        <p key={name} className="text-sm">
          {name}: {numbers(ids)} {ids.length === 1 ? "fails" : "fail"}.
        </p>
      ))}
      {open.length > 0 && (
        <p className="text-sm text-soft">
          {plural(open.length, "plant")} not looked at on all: {numbers(open)}.
        </p>
      )}
      {toKeep.length > 0 && (
        <div className="mt-2">
          <CommandButton
            command="plant.marks"
            input={{ ids: toKeep, mark: "keep", reason: "came through and passes" }}
            strong
          >
            Keep {toKeep.length === 1 ? "it" : `these ${toKeep.length}`}
          </CommandButton>
        </div>
      )}
    </div>
  );
}
