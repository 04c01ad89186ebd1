import { refuse } from "@/db/ops";
import { command } from "../command";
import { day, ref, seen } from "../record";
import { photo } from "./photo";

/** The picture itself has gone before, to its place beside the database, under the id that this press gives its row. */
const addPhoto = command(
  "photo.add",
  { ...photo.adding("plantId", "offkindId", "words"), takenOn: day("Taken on").optional() },
  (context, { takenOn, ...input }) => {
    const id = context.write.insert(photo, { ...input, takenOn: takenOn ?? context.today });
    return { message: "Picture kept", id };
  },
);

const which = { id: ref("photo", "Picture"), version: seen() };

const changePhoto = command(
  "photo.change",
  { ...which, ...photo.patching("takenOn", "words") },
  ({ write }, { id, version, ...patch }) => {
    if (!write.read(photo, id)) refuse("id", "That picture is not there any more.");
    write.update(photo, id, patch, version);
    return { message: "Picture's words changed", id };
  },
);

/** Its file stays where it lies, so that this can be undone. */
const removePhoto = command("photo.remove", which, ({ write }, { id, version }) => {
  if (!write.read(photo, id)) refuse("id", "That picture is not there any more.");
  write.remove(photo, id, version);
  return { message: "Picture taken away", id };
});

export const photoCommands = [addPhoto, changePhoto, removePhoto] as const;
