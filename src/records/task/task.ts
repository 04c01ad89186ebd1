import { day, name, type Row, record, text, whole } from "../record";

/** What the grower means to do, of his own: once, or again so many days after it was done. */
export const task = record(
  "task",
  {
    title: name("What to do").draws({ hint: "Short, as: empty the traps." }),
    due: day("Due on"),
    every: whole("Again after", 1, 366).optional().draws({ unit: "days", hint: "Empty for once only." }),
    doneOn: day("Last done on").optional(),
    note: text("Note", 500).draws({ long: true }),
  },
  { together: ["due", "doneOn"] },
);
export type Task = Row<typeof task>;
