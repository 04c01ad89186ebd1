import { Refusal, refuse } from "@/db/ops";
import { command } from "../command";
import { lineById } from "../line/queries";
import { photo } from "../photo/photo";
import { photosOfOffkind } from "../photo/queries";
import { ref, seen } from "../record";
import { offkind } from "./offkind";

const which = { id: ref("offkind", "Off-type"), version: seen() };

const addOffkind = command(
  "offkind.add",
  offkind.adding("lineId", "name", "look", "inheritance"),
  ({ db, write }, input) => {
    const line = lineById(db, input.lineId) ?? refuse("lineId", "That line does not exist.");
    return { message: `${line.name}: ${input.name} does not belong`, id: write.insert(offkind, input) };
  },
);

const changeOffkind = command(
  "offkind.change",
  { ...which, ...offkind.patching("name", "look", "inheritance") },
  ({ write }, { id, version, ...patch }) => {
    write.update(offkind, id, patch, version);
    return { message: `Off-type ${write.read(offkind, id)!.name} changed`, id };
  },
);

/** Plants that went out for it keep their reason. */
const dropOffkind = command("offkind.drop", which, ({ db, write }, { id, version }) => {
  const before = write.read(offkind, id);
  if (!before) throw new Refusal("That off-type is not there any more.");
  for (const picture of photosOfOffkind(db, id)) write.remove(photo, picture.id, picture.version);
  write.remove(offkind, id, version);
  return { message: `Off-type ${before.name} struck out; plants that went out for it keep their reason` };
});

export const offkindCommands = [addOffkind, changeOffkind, dropOffkind] as const;
