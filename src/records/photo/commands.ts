import type { Id } from "@/core/custody/id";
import { refuse } from "@/db/ops";
import { type Context, command } from "../command";
import { offkind } from "../offkind/offkind";
import { plant } from "../plant/plant";
import { day, ref, seen } from "../record";
import { stand } from "../stand/stand";
import { photo } from "./photo";

type Of = { plantId?: Id | null; offkindId?: Id | null };

/** What a picture is of, in words: plant 7 of a family, or a kind of off-type. */
function pictureOf(write: Context["write"], { plantId, offkindId }: Of): string {
  const shown = plantId ? write.read(plant, plantId) : undefined;
  if (shown) return `Picture of ${write.read(stand, shown.standId)!.code} plant ${shown.number}`;
  const kind = offkindId ? write.read(offkind, offkindId) : undefined;
  return kind ? `Picture of ${kind.name}` : "Picture";
}

/** The picture itself has gone before, to its place beside the database, under the id that this press gives its row. */
const addPhoto = command(
  "photo.add",
  { ...photo.adding("plantId", "offkindId", "words"), takenOn: day("Taken on").optional() },
  (context, { takenOn, ...input }) => {
    const id = context.write.insert(photo, { ...input, takenOn: takenOn ?? context.today });
    return { message: `${pictureOf(context.write, input)} kept`, id };
  },
);

const which = { id: ref("photo", "Picture"), version: seen() };

const changePhoto = command(
  "photo.change",
  { ...which, ...photo.patching("takenOn", "words") },
  ({ write }, { id, version, ...patch }) => {
    const before = write.read(photo, id) ?? refuse("id", "That picture is not there any more.");
    write.update(photo, id, patch, version);
    return { message: `${pictureOf(write, before)}: its words changed`, id };
  },
);

/** Its file stays where it lies, so that this can be undone. */
const removePhoto = command("photo.remove", which, ({ write }, { id, version }) => {
  const before = write.read(photo, id) ?? refuse("id", "That picture is not there any more.");
  write.remove(photo, id, version);
  return { message: `${pictureOf(write, before)} taken away`, id };
});

export const photoCommands = [addPhoto, changePhoto, removePhoto] as const;
