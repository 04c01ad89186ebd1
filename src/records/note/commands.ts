import { refuse } from "@/db/ops";
import { command } from "../command";
import { day, ref, seen } from "../record";
import { NOTED, note } from "./note";

const addNote = command(
  "note.add",
  { ...note.adding(...NOTED, "words"), on: day("Day").optional() },
  (context, { on, ...input }) => {
    const id = context.write.insert(note, { ...input, on: on ?? context.today });
    return { message: "Noted", id };
  },
);

const changeNote = command(
  "note.change",
  { id: ref("note", "Note"), version: seen(), ...note.patching("words", "on") },
  ({ write }, { id, version, ...patch }) => {
    if (!write.read(note, id)) refuse("id", "That note does not exist.");
    write.update(note, id, patch, version);
    return { message: "Note changed", id };
  },
);

const removeNote = command(
  "note.remove",
  { id: ref("note", "Note"), version: seen() },
  ({ write }, { id, version }) => {
    if (!write.read(note, id)) refuse("id", "That note does not exist.");
    write.remove(note, id, version);
    return { message: "Note taken away", id };
  },
);

export const noteCommands = [addNote, changeNote, removeNote] as const;
