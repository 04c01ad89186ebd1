"use client";
import clsx from "clsx";
import { dayInWords } from "@/core/calendar/day";
import { bedInWords } from "@/core/ground/bedInWords";
import { bedOf } from "@/core/pollination/fathers";
import { doingOf } from "@/core/pollination/protocol";
import { plural } from "@/core/units/plural";
import type { Units } from "@/core/units/units";
import { hourInWords } from "@/core/writing/hours";
import Link from "@/ui/Link";
import { Sheet } from "@/ui/Sheet";
import { useGrowing } from "@/ui/useThere";
import type { CrossTask, FatherTask, StoreTask } from "@/views/crossTasks";
import type { OwnWork, RogueTask, Task } from "@/views/today";
import { CommandButton } from "../common/command";
import { fathersInWords, parentsInWords, STORAGE_WORDS } from "../common/crossWords";
import { Row } from "../common/Part";
import { AtFather, RecordStep } from "../common/recordLater";
import { Tag } from "../common/Tag";
import { sentence } from "../common/words";
import { AskRow } from "./AskRow";
import { LinkRow } from "./LinkRow";
import { OpeningRow } from "./OpeningRow";
import { ChangeTask, repeats } from "./OwnTasks";
import { RegrowRow } from "./RegrowRow";
import { WorkRow } from "./StandWork";
import { TastingRow } from "./TastingRow";
import { isStepOf, type StepTask, stepIn, stepsInBeds, titleOfCross, titleOfStep } from "./words";

type Of<T> = { task: T; day: string; units: Units };

function keyOf(task: Task): string {
  switch (task.kind) {
    case "cross":
      return `${task.state.cross.id} ${task.step.action}`;
    case "father":
      return `father ${task.step.action} ${task.state.cross.id}`;
    case "store":
      return `store ${task.state.cross.id}`;
    case "rogue":
      return `rogue ${task.out.standId}`;
    case "stand":
      return task.group.key;
    case "own":
      return `own ${task.task.id}`;
    case "regrow":
      return `regrow ${task.line.lineId}`;
    case "ask":
      return `ask ${task.asking.id}`;
    case "tasting":
      return `tasting ${task.tasting.id}`;
    case "link":
      return task.task.key;
  }
}

/** So many rows of a band are drawn at first. */
const AT_FIRST = 5;

/** The rows of a band; those below the first screen are drawn when the page is there. */
export function TaskRows({ tasks, day, units }: { tasks: Task[]; day: string; units: Units }) {
  return useGrowing(stepsInBeds(tasks), AT_FIRST).map((together) => {
    const [first] = together as [Task, ...Task[]];
    return isStepOf(together) ? (
      <StepRow key={stepIn(together[0]!)} tasks={together} day={day} units={units} />
    ) : (
      <TaskRow key={keyOf(first)} task={first} day={day} units={units} />
    );
  });
}

/** One step of several crosses in one bed: a row that opens to each. */
function StepRow({ tasks, day, units }: { tasks: StepTask[]; day: string; units: Units }) {
  const title = titleOfStep(tasks);
  const urgent = Math.min(...tasks.map(({ daysLeft }) => daysLeft)) <= 0;
  const [first] = tasks as [StepTask, ...StepTask[]];
  const bed = bedOf(first);
  return (
    <OpeningRow
      count={tasks.length}
      title={title}
      said={
        <>
          {bed && `${sentence(bedInWords(bed))}. `}
          {first.part !== "any-hour" && `${hourInWords(first.from)} to ${hourInWords(first.to)}. `}
          {urgent && <span className="font-bold text-rust">Last chance for some of them.</span>}
        </>
      }
      press={
        <Link href="/round" className={clsx("leaf", urgent && "leaf-strong")}>
          Walk <span className="sr-only">: {title}</span>
        </Link>
      }
    >
      {tasks.map((task) => (
        <TaskRow key={keyOf(task)} task={task} day={day} units={units} />
      ))}
    </OpeningRow>
  );
}

function TaskRow({ task, day, units }: Of<Task>) {
  switch (task.kind) {
    case "cross":
      return <CrossRow task={task} day={day} units={units} />;
    case "father":
      return <FatherRow task={task} day={day} />;
    case "store":
      return <StoreRow task={task} day={day} />;
    case "own":
      return <OwnRow task={task} day={day} />;
    case "rogue":
      return <RogueRow task={task} />;
    case "stand":
      return <WorkRow group={task.group} day={day} units={units} />;
    case "regrow":
      return <RegrowRow line={task.line} />;
    case "ask":
      return <AskRow asking={task.asking} day={day} />;
    case "tasting":
      return <TastingRow tasting={task.tasting} />;
    case "link":
      return <LinkRow task={task} day={day} />;
  }
}

function OwnRow({ task: { task, daysLeft }, day }: Omit<Of<OwnWork>, "units">) {
  const { id, version, title, note } = task;
  return (
    <Row
      tag="Your own"
      title={title}
      said={
        <>
          {daysLeft < 0 && `Due since ${dayInWords(task.due)}. `}
          {repeats(task)} {note}
        </>
      }
    >
      <span className="flex flex-wrap justify-end gap-2">
        <ChangeTask task={task} day={day} />
        <CommandButton command="task.done" input={{ id, version }} label={`Done: ${title}`}>
          Done
        </CommandButton>
      </span>
    </Row>
  );
}

function urgencyOf({ step, daysLeft, state }: CrossTask): { words: string; urgent: boolean } {
  const { begins, pollinates } = doingOf(step);
  if (begins) {
    const { last } = state;
    return daysLeft <= 2
      ? { words: `Last chance: ${plural(daysLeft + 1, "evening")} of both in flower left.`, urgent: true }
      : { words: `Too late after ${dayInWords(last!.day)}.`, urgent: false };
  }
  if (daysLeft < 0 && pollinates) return { words: "Past its time: record it as limp.", urgent: true };
  if (daysLeft < 0) return { words: `${plural(-daysLeft, "day")} past its time.`, urgent: true };
  if (daysLeft === 0)
    return { words: pollinates ? "Last chance: today only." : "Today is its last day.", urgent: true };
  return { words: `${plural(daysLeft, "day")} left.`, urgent: false };
}

function CrossRow({ task, day, units }: Of<CrossTask>) {
  const { cross, method, evenings } = task.state;
  const urgency = urgencyOf(task);
  return (
    <Row
      tag={<Tag kind="cross" code={cross.code} href={`/crosses/${cross.code}`} />}
      title={titleOfCross(task)}
      said={
        <>
          {parentsInWords(cross)}
          {cross.motherBed && `, ${bedInWords(cross.motherBed)}`}.{" "}
          {task.part !== "any-hour" && `${hourInWords(task.from)} to ${hourInWords(task.to)}. `}
          <span className={urgency.urgent ? "font-bold text-rust" : ""}>{urgency.words}</span>
        </>
      }
    >
      <Sheet trigger="Record" title={`${cross.code}: ${task.step.title}`} strong={urgency.urgent}>
        {(close) => (
          <RecordStep
            crossId={cross.id}
            code={cross.code}
            unit={method.unit}
            petals={task.state.petals}
            day={day}
            step={task.step}
            flowers={task.flowers}
            males={task.males}
            suggested={evenings?.tonight ?? 1}
            units={units}
            onDone={close}
          />
        )}
      </Sheet>
    </Row>
  );
}

function FatherRow({ task, day }: { task: FatherTask; day: string }) {
  const { state, step, fathers, from, to } = task;
  const { cross } = state;
  return (
    <Row
      tag={<Tag kind="cross" code={cross.code} href={`/crosses/${cross.code}`} />}
      title={titleOfCross(task)}
      said={
        <>
          {cross.kind === "self" ? "Selfed" : fathers.length > 1 ? "The fathers" : "The father"},{" "}
          {fathersInWords(fathers)}. {task.part !== "any-hour" && `${from} to ${to}. `}
        </>
      }
    >
      <Sheet trigger="Record" title={`${cross.code}: ${step.father.title}`}>
        {(close) => <AtFather task={task} day={day} onDone={close} />}
      </Sheet>
    </Row>
  );
}

function StoreRow({ task: { state, until, daysLeft }, day }: { task: StoreTask; day: string }) {
  const { cross } = state;
  return (
    <Row
      tag={<Tag kind="cross" code={cross.code} href={`/crosses/${cross.code}`} />}
      title={<>Gather pollen of {cross.fatherName} and keep it</>}
      said={
        <>
          {STORAGE_WORDS[cross.storage!]}.{" "}
          <span className={daysLeft <= 2 ? "font-bold text-rust" : ""}>He flowers until {dayInWords(until)}.</span>
        </>
      }
    >
      <CommandButton command="cross.adjust" input={{ id: cross.id, version: cross.version, storedOn: day }}>
        Gathered
      </CommandButton>
    </Row>
  );
}

function RogueRow({ task: { out, firstFlower, daysLeft } }: { task: RogueTask }) {
  return (
    <Row
      tag={<Tag kind={out.family ? "family" : "stand"} code={out.code} href={`/nursery/${out.code}`} />}
      title={
        <>
          Take out {plural(out.count, "plant")} marked out: {out.plants}
        </>
      }
      said={
        <>
          {out.lineName}.{" "}
          {daysLeft > 0 ? (
            `Before first flower, ${dayInWords(firstFlower)} at the latest.`
          ) : (
            <span className="font-bold text-rust">
              In flower since {dayInWords(firstFlower)}: each day sheds more pollen.
            </span>
          )}
        </>
      }
    >
      <Link className="leaf" href={`/nursery/${out.code}`}>
        Walk
      </Link>
    </Row>
  );
}
