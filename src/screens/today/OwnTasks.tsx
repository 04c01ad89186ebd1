"use client";
import { addDays, dayInWords } from "@/core/calendar/day";
import { plural } from "@/core/units/plural";
import type { Task } from "@/records/task/task";
import { Sheet } from "@/ui/Sheet";
import { CommandButton, CommandForm, Field } from "../common/command";
import { Folded } from "./Folded";
import { ownInWords } from "./words";

/** What a task of the grower's own says of itself, beside its title. */
export const repeats = ({ every }: Task): string => (every ? `Again ${plural(every, "day")} after it is done.` : "");

function TaskFields() {
  return (
    <>
      <Field name="title" label="What to do" hint="Short, as: empty the traps." />
      <div className="grid grid-cols-2 gap-4">
        <Field name="due" label="Due on" type="date" />
        <Field name="every" label="Again after" type="number" unit="days" hint="Empty for once only." />
      </div>
      <Field name="note" label="Note" type="textarea" />
    </>
  );
}

/** Writes down a task of the grower's own. */
function AddTask({ day }: { day: string }) {
  return (
    <Sheet trigger="Write down a task" title="A task of your own" plain at="task">
      {(close) => (
        <CommandForm command="task.add" draft="task" values={{ due: day }} submit="Keep the task" onDone={close}>
          <TaskFields />
        </CommandForm>
      )}
    </Sheet>
  );
}

/** Changes a task, puts it off, or takes it off the list. */
export function ChangeTask({ task, day }: { task: Task; day: string }) {
  const { id, version, title, due, every, note } = task;
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
          <CommandForm
            command="task.change"
            draft={`task-${id}`}
            values={{ title, due, every, note }}
            patch
            hidden={{ id, version }}
            submit="Keep"
            onDone={close}
          >
            <TaskFields />
          </CommandForm>
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
