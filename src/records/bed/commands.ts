import { bedsInRows, namesFrom, PATH } from "@/core/ground/rows";
import { plural } from "@/core/units/plural";
import { Refusal } from "@/db/ops";
import { type Context, command } from "../command";
import { note } from "../note/note";
import { notesOf } from "../note/queries";
import { real, ref, seen, whole } from "../record";
import { namedTwice } from "../twice";
import { bed } from "./bed";
import { beds, standsInBed } from "./queries";

const PLACE = ["x", "y", "width", "length", "turn"] as const;
const existing = ({ write }: Context, id: string) => {
  const found = write.read(bed, id);
  if (!found) throw new Refusal("That bed is not on the ground any more.");
  return found;
};

/** How many beds are made at once at most. */
const MOST = 100;

/** One bed, or several of its size in rows; those after the first are named on from it. */
const addBed = command(
  "bed.add",
  {
    ...bed.adding("name", ...PLACE, "outside", "note"),
    count: whole("How many", 1, MOST).or(1),
    perRow: whole("Side by side", 1, MOST).optional(),
    path: real("Path between them", { least: 0, most: 1000 }).or(PATH),
  },
  (context, { count, perRow, path, ...first }) => {
    const warnings = namedTwice(context, bed, first.name);
    const taken = new Set(beds(context.db).map(({ name }) => name));
    const names = namesFrom(first.name, count, taken);
    const ids = bedsInRows(first, count, perRow ?? count, path).map((place, i) =>
      context.write.insert(bed, { ...first, ...place, name: names[i]! }),
    );
    const message =
      count === 1 ? `Bed ${first.name} added` : `${plural(count, "bed")} added, ${first.name} to ${names.at(-1)}`;
    return { message, id: ids[0]!, ids, warnings };
  },
);

const changeBed = command(
  "bed.change",
  { id: ref("bed", "Bed"), version: seen(), ...bed.patching("name", ...PLACE, "outside", "note") },
  (context, { id, version, ...patch }) => {
    const before = existing(context, id);
    const warnings = patch.name && patch.name !== before.name ? namedTwice(context, bed, patch.name) : [];
    context.write.update(bed, id, patch, version);
    return { message: `Bed ${patch.name ?? before.name} changed`, id, warnings };
  },
);

const moveBed = command(
  "bed.move",
  { id: ref("bed", "Bed"), version: seen(), ...bed.patching(...PLACE) },
  (context, { id, version, ...place }) => {
    const { name } = existing(context, id);
    context.write.update(bed, id, place, version);
    return { message: `Bed ${name} moved`, id };
  },
);

const removeBed = command("bed.remove", { id: ref("bed", "Bed"), version: seen() }, (context, { id, version }) => {
  const { name } = existing(context, id);
  const stands = standsInBed(context.db, id);
  if (stands > 0) throw new Refusal(`${plural(stands, "stand")} grew in this bed; it stays for their sake.`);
  // What was noted of it goes with it, and comes back with it.
  for (const noted of notesOf(context.db, "bedId", id)) context.write.remove(note, noted.id);
  context.write.remove(bed, id, version);
  return { message: `Bed ${name} taken off the ground` };
});

export const bedCommands = [addBed, changeBed, moveBed, removeBed] as const;
