import { addDays, dayInWords } from "@/core/calendar/day";
import { Refusal, refuse } from "@/db/ops";
import { type Context, command } from "../command";
import { ref, seen } from "../record";
import { type Task, task } from "./task";

const which = { id: ref("task", "Task"), version: seen() };

function existing({ write }: Context, id: string): Task {
  const found = write.read(task, id);
  if (!found) throw new Refusal("That task is not there any more.");
  return found;
}

const addTask = command("task.add", task.adding("title", "due", "every", "note"), ({ write }, input) => {
  const id = write.insert(task, input);
  return { message: `${input.title}: to be done on ${dayInWords(input.due)}`, id };
});

const changeTask = command(
  "task.change",
  { ...which, ...task.patching("title", "due", "every", "note") },
  (context, { id, version, ...patch }) => {
    const before = existing(context, id);
    context.write.update(task, id, patch, version);
    return { message: `${patch.title ?? before.title} changed`, id };
  },
);

/** Done today: for good, or due again so many days from today. */
const doTask = command("task.done", which, (context, { id, version }) => {
  const { title, every, doneOn } = existing(context, id);
  const { write, today } = context;
  if (doneOn && !every) refuse("id", `${title} was done on ${dayInWords(doneOn)}.`);
  const due = every && addDays(today, every);
  write.update(task, id, { doneOn: today, ...(due ? { due } : {}) }, version);
  return { message: `${title}: done${due ? `, again on ${dayInWords(due)}` : ""}`, id };
});

const putOff = command("task.put-off", { ...which, due: task.columns.due.as("Until") }, (context, input) => {
  const { id, version, due } = input;
  const { title } = existing(context, id);
  if (due <= context.today) refuse("due", "Put it off to a day that is still to come.");
  context.write.update(task, id, { due }, version);
  return { message: `${title}: put off to ${dayInWords(due)}`, id };
});

const removeTask = command("task.remove", which, (context, { id, version }) => {
  const { title } = existing(context, id);
  context.write.remove(task, id, version);
  return { message: `${title}: taken off the list` };
});

export const taskCommands = [addTask, changeTask, doTask, putOff, removeTask] as const;
