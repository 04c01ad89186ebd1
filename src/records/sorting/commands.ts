import { SORTED, type SortedOut } from "@/core/selection/lifting";
import { plural } from "@/core/units/plural";
import { refuse } from "@/db/ops";
import { command } from "../command";
import { carryOut } from "../deed/commands";
import { day, ref, seen } from "../record";
import { existingStand } from "../stand/commands";
import { sortingOf } from "./queries";
import { type Sorting, sorting } from "./sorting";

const outOf = (row: Pick<Sorting, SortedOut>) => SORTED.reduce((sum, why) => sum + row[why], 0);

/** Sorted as they are lifted or replanted: the work is done with it, where it was not yet. */
const addSorting = command(
  "sorting.add",
  {
    ...sorting.adding("standId", "moment", "fit", ...SORTED, "bands"),
    sortedOn: day("Sorted on").optional(),
  },
  (context, { sortedOn, ...input }) => {
    const { standId, moment, fit } = input;
    const stand = existingStand(context, standId, "standId");
    const on = sortedOn ?? context.today;
    if (sortingOf(context.db, standId, moment))
      refuse("moment", `${stand.code} was sorted then already: set that right instead.`);
    const id = context.write.insertHeld(sorting, { ...input, sortedOn: on });
    if ((moment === "lift" ? stand.liftedOn : stand.replantedOn) === null) carryOut(context, standId, moment, on, fit);
    return { message: `${stand.code}: ${fit} kept, ${plural(outOf(input), "root")} sorted out`, id };
  },
);

const changeSorting = command(
  "sorting.change",
  { id: ref("sorting", "Sorting"), version: seen(), ...sorting.patching("sortedOn", "fit", ...SORTED, "bands") },
  ({ write }, { id, version, ...patch }) => {
    if (!write.read(sorting, id)) refuse("id", "That sorting is not there any more.");
    write.update(sorting, id, patch, version);
    return { message: "Sorting set right", id };
  },
);

export const sortingCommands = [addSorting, changeSorting] as const;
