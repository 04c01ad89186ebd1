"use client";
import { useState } from "react";
import { dayInWords } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import type { Noted } from "@/records/note/note";
import { Sheet } from "@/ui/Sheet";
import { useAsked } from "@/ui/useAsked";
import type { NoteLine } from "@/views/notes";
import { CommandButton, CommandForm } from "./command";

type Props = { of: Noted; id: Id; name: string };

/** What was noted of one thing, and a line more. */
export function Notes({ of, id, name }: Props) {
  const [presses, setPresses] = useState(0);
  const { answer, trouble } = useAsked<NoteLine[]>(`/api/notes/${of}/${id}`, String(presses));
  const again = () => setPresses(presses + 1);
  const many = answer?.length ? ` (${answer.length})` : "";
  return (
    <Sheet trigger={`Notes${many}`} title={`Notes on ${name}`} plain>
      {() => (
        <>
          {trouble && <p className="mb-4 font-bold text-rust">{trouble}</p>}
          <ul className="rows mb-6 border-y border-rule empty:hidden">
            {answer?.map((note) => (
              <li key={note.id} className="flex items-start justify-between gap-3 py-2">
                <span className="whitespace-pre-wrap break-words">
                  <span className="block text-sm text-soft">{dayInWords(note.on, "long")}</span>
                  {note.words}
                </span>
                <CommandButton
                  command="note.remove"
                  input={{ id: note.id, version: note.version }}
                  label={`Take away: ${note.words}`}
                  onDone={again}
                  plain
                >
                  Take away
                </CommandButton>
              </li>
            ))}
          </ul>
          <CommandForm
            key={presses}
            command="note.add"
            draft={`note-${id}`}
            values={{ words: null }}
            hidden={{ [of]: id }}
            submit="Note it"
            onDone={again}
          >
            {(Field) => <Field name="words" label="What you saw, did or mean to do" type="textarea" />}
          </CommandForm>
        </>
      )}
    </Sheet>
  );
}
