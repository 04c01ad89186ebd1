"use client";
import clsx from "clsx";
import { useEffect, useState } from "react";
import { addDays, dayInWords } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { doingOf, type Stage } from "@/core/pollination/protocol";
import { plural } from "@/core/units/plural";
import type { Units } from "@/core/units/units";
import { hourInWords } from "@/core/writing/hours";
import type { Result } from "@/records/flower/commands";
import { dayNow } from "@/ui/press";
import { useKept } from "@/ui/useKept";
import { useThere } from "@/ui/useThere";
import { AtFather } from "../common/AtFather";
import { BudChoice } from "../common/BudChoice";
import { CommandButton, useCommand } from "../common/command";
import { parentsInWords, STORAGE_WORDS } from "../common/crossWords";
import { FlowerStage, StageRow } from "../common/drawings/FlowerStage";
import { Males } from "../common/Males";
import { RecordStep } from "../common/RecordStep";
import { Trouble, WhichDay } from "../common/recordParts";
import { choicesPast, hourNow, RESULT_CHOICES } from "../common/results";
import { Tag } from "../common/Tag";
import type { Stop } from "./stops";

type Props = { stop: Stop; list: Stop[]; day: string; units: Units; onDone: () => void };

/** One flower: which it is, what to look for, and large presses for what was found. */
export function FlowerStop(props: Props) {
  const { stop, day, units, onDone } = props;
  const { cross, method, evenings } = stop.task.state;
  if (stop.task.kind === "store")
    return (
      <section className="mt-4">
        <Tag kind="cross" code={cross.code} />
        <h2 className="mt-3 text-2xl">Gather pollen of {cross.fatherName}</h2>
        <p className="mt-2 text-lg">
          Keep it {STORAGE_WORDS[cross.storage!]}, labelled with {cross.code}. He flowers until{" "}
          {dayInWords(stop.task.until)}.
        </p>
        <div className="mt-5">
          <CommandButton
            command="cross.adjust"
            input={{ id: cross.id, version: cross.version, storedOn: day }}
            strong
            onDone={onDone}
          >
            Gathered
          </CommandButton>
        </div>
      </section>
    );
  if (stop.task.kind === "father") return <AtFather task={stop.task} day={day} onDone={onDone} />;
  const { step, daysLeft } = stop.task;
  const urgent = daysLeft <= 0 || (doingOf(step).begins && daysLeft <= 2);
  const past = daysLeft < 0;
  return (
    <section className="mt-4" aria-label={stop.flower ? `Flower ${stop.flower.number} of ${cross.code}` : cross.code}>
      <div className="flex flex-wrap items-center justify-between gap-2">
        {stop.flower ? <Tag kind="flower" code={stop.flower.code} /> : <Tag kind="cross" code={cross.code} />}
        <span className={clsx("font-bold", urgent ? "text-rust" : "text-soft")}>
          {past
            ? `${plural(-daysLeft, "day")} past its time`
            : `${urgent ? "Last chance " : ""}${hourInWords(stop.task.from)} to ${hourInWords(stop.task.to)}`}
        </span>
      </div>
      <p className="mt-2 text-lg">{parentsInWords(cross)}</p>
      <h2 className="mt-1 text-2xl">{step.title}</h2>
      {stop.flower ? (
        <One {...props} stop={{ ...stop, flower: stop.flower, task: stop.task }} />
      ) : (
        <div className="mt-3">
          <RecordStep
            crossId={cross.id}
            code={cross.code}
            unit={method.unit}
            petals={stop.task.state.petals}
            day={day}
            step={step}
            flowers={stop.task.flowers}
            males={stop.task.males}
            suggested={evenings?.tonight ?? 1}
            units={units}
            brief
            onDone={onDone}
          />
        </div>
      )}
    </section>
  );
}

/** A flower is on the screen for so long before a press counts for it: the second of two quick ones was meant for the last. */
const SEEN_AFTER = 450;

function useSeen(): boolean {
  // The first of a page stood there before the page could answer, and after none.
  const [seen, setSeen] = useState(() => typeof window === "undefined" || "earlyPresses" in window);
  useEffect(() => {
    const timer = setTimeout(() => setSeen(true), SEEN_AFTER);
    return () => clearTimeout(timer);
  }, []);
  return seen;
}

type FlowerOf = Extract<Stop, { task: { kind: "cross" } }>;
type OneProps = Omit<Props, "stop"> & { stop: FlowerOf & { flower: NonNullable<FlowerOf["flower"]> } };

function One({ stop, list, day, onDone }: OneProps) {
  const { step, state } = stop.task;
  const { cross, method } = state;
  const { flower } = stop;
  const { runKept, busy } = useCommand();
  const [males, setMales] = useKept(`males-${cross.id}-${day}`, stop.task.males);
  const [at, setAt] = useState("");
  // An hour typed before the page listens would be lost.
  const there = useThere();
  const [bud, setBud] = useState<Stage>("right");
  const [opened, setOpened] = useState(false);
  // What is past was perhaps done in time, and not written down.
  const past = stop.task.daysLeft < 0;
  const [ago, setAgo] = useState(0);
  const [dayAsked, setDayAsked] = useState(past);
  const [trouble, setTrouble] = useState<string | null>(null);
  const ready = useSeen();
  const { from, to } = stop.task;
  useEffect(() => setAt(ago === 0 ? hourNow(from, to) : ""), [from, to, ago]);
  // Also those that this device alone knows to be so far.
  const alike = list.filter(
    ({ flower: other, task }) =>
      other && task.kind === "cross" && task.step.action === step.action && task.state.cross.id === cross.id,
  );
  const choices = past && ago === 0 ? choicesPast(step.action) : RESULT_CHOICES[step.action]!;
  const { pollinates, onFruit } = doingOf(step);
  const told = pollinates ? { bud } : {};
  const timed = pollinates ? { males, ...(at ? { at } : {}) } : {};
  const record = async (result: string, label: string, ids: Id[]) => {
    if (result === "later") return onDone();
    // One that was covered here has no number yet: its code says which of the new ones it is.
    const one = flower.number > 0 ? `Flower ${flower.number}` : `Flower ${flower.code.slice(cross.code.length + 1)}`;
    const words = `${ids.length > 1 ? `${ids.length} flowers` : one} of ${cross.code}: ${label.toLowerCase()}`;
    const input = {
      crossId: cross.id,
      on: addDays(dayNow(), -ago),
      ...timed,
      results: ids.map((id) => ({ id, result: result as Result, ...told })),
    };
    const answer = await runKept("flower.record", input, words);
    if (!answer) return;
    if (!answer.ok) {
      setTrouble(answer.message);
      return setDayAsked(true);
    }
    onDone();
  };
  return (
    <>
      <div className="mt-2 grid grid-cols-[6.5rem_minmax(0,1fr)] items-start gap-4">
        {step.drawing && step.stages && (
          <FlowerStage
            drawing={step.drawing}
            stage="right"
            petals={state.petals}
            label={step.stages.right}
            className="w-full"
          />
        )}
        <div>
          <p>{step.stages?.right ?? step.look}</p>
          <button
            type="button"
            className="mt-1 min-h-11 font-semibold text-damson underline"
            aria-expanded={opened}
            onClick={() => setOpened(!opened)}
          >
            {opened ? "Less" : "Too early, too late?"}
          </button>
          {!dayAsked && (
            <button
              type="button"
              className="ml-4 mt-1 min-h-11 font-semibold text-damson underline"
              onClick={() => setDayAsked(true)}
            >
              Another day?
            </button>
          )}
        </div>
      </div>
      {opened && (
        <div className="mt-2">
          {step.drawing && step.stages && (
            <StageRow drawing={step.drawing} stages={step.stages} petals={state.petals} />
          )}
          <p className="mt-2">{step.look}</p>
          <p className="mt-1 font-bold text-rust">{step.tooLate}</p>
        </div>
      )}
      {dayAsked && (
        <div className="mt-3">
          <WhichDay day={day} ago={ago} onChange={setAgo} />
        </div>
      )}
      {pollinates && !(past && ago === 0) && (
        <div className="mt-3 grid gap-3">
          <Males unit={method.unit} step={step} value={males} onChange={setMales} />
          <label className="flex items-center gap-3">
            <span className="font-semibold">At</span>
            <input
              type="time"
              className="min-h-12 w-36"
              value={at}
              disabled={!there}
              onChange={(event) => setAt(event.target.value)}
            />
          </label>
          <BudChoice bud={bud} onChange={setBud} />
        </div>
      )}
      <Trouble message={trouble} />
      <div className="mt-4 grid grid-cols-2 gap-3">
        {choices.map(([value, label], i) => (
          <button
            key={value}
            type="button"
            disabled={busy || !ready}
            onClick={() => void record(value, label, [flower.id])}
            className={clsx("leaf min-h-16 text-xl", i === 0 && "leaf-strong col-span-2 min-h-20 text-2xl")}
          >
            {label}
          </button>
        ))}
      </div>
      {alike.length > 1 &&
        // Most flowers of a bean cross fail: of what is looked after both can be said at once.
        choices.slice(0, onFruit ? 2 : 1).map(([value, label]) => (
          <button
            key={value}
            type="button"
            disabled={busy || !ready}
            className="leaf mt-3 min-h-14 w-full text-lg"
            onClick={() =>
              void record(
                value,
                label,
                alike.map((s) => s.flower!.id),
              )
            }
          >
            All {alike.length} of {cross.code}: {label.toLowerCase()}
          </button>
        ))}
    </>
  );
}
