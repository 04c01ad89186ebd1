"use client";
import { addDays, dayInWords } from "@/core/calendar/day";
import { plural } from "@/core/units/plural";
import { type Task, task } from "@/records/task/task";
import { Sheet } from "@/ui/Sheet";
import { CommandButton } from "../common/command";
import { RecordForm } from "../common/RecordForm";
import { Folded } from "./Folded";
import { ownInWords } from "./words";

/** What a task of the grower's own says of itself, beside its title. */
export const repeats = ({ every }: Task): string => (every ? `Again ${plural(every, "day")} after it is done.` : "");

/** A task's form: a new one, or one that is changed. */
function TaskForm({ own, day, close }: { own?: Task; day: string; close: () => void }) {
  return (
    <RecordForm
      of={task}
      command={own ? "task.change" : "task.add"}
      row={own}
      values={{ due: day }}
      draft={own ? `task-${own.id}` : "task"}
      units="metric"
      fields={["title", "due", "every", "note"]}
      submit="Save"
      onDone={close}
    />
  );
}

/** Writes down a task of the grower's own. */
function AddTask({ day }: { day: string }) {
  return (
    <Sheet trigger="Write down a task" title="A task of your own" plain at="task">
      {(close) => <TaskForm day={day} close={close} />}
    </Sheet>
  );
}

/** Changes a task, puts it off, or takes it off the list. */
export function ChangeTask({ task: own, day }: { task: Task; day: string }) {
  const { id, version, title, due } = own;
  return (
    <Sheet
      trigger={
        <>
          Change <span className="sr-only">{title}</span>
        </>
      }
      title={title}
      plain
    >
      {(close) => (
        <>
          <TaskForm own={own} day={day} close={close} />
          <p className="mt-6 flex flex-wrap gap-3">
            {due <= day && (
              <CommandButton command="task.put-off" input={{ id, version, due: addDays(day, 1) }} plain>
                Put off to {dayInWords(addDays(day, 1))}
              </CommandButton>
            )}
            <CommandButton command="task.remove" input={{ id, version }} plain>
              Take it off the list
            </CommandButton>
          </p>
        </>
      )}
    </Sheet>
  );
}

/** Own tasks that are due later, folded away, and the way to write down another. */
export function OwnTasks({ later, day }: { later: Task[]; day: string }) {
  const [next] = later;
  const rows = later.map((task) => (
    <li key={task.id} className="flex items-center justify-between gap-3 py-2">
      <span>
        {dayInWords(task.due, "long")}: <span className="font-semibold">{task.title}</span>
        <span className="block text-sm text-soft">
          {repeats(task)} {task.note}
        </span>
      </span>
      <ChangeTask task={task} day={day} />
    </li>
  ));
  return next ? (
    <Folded said={ownInWords(later.length, next.due)} beside={<AddTask day={day} />}>
      {rows}
    </Folded>
  ) : (
    <li className="py-1">
      <AddTask day={day} />
    </li>
  );
}
