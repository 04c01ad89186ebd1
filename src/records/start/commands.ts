import { speciesById } from "@/catalogue/catalogue";
import { yearOf } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { besideBed, FIRST_BED, namesFrom, PATH } from "@/core/ground/rows";
import { refuse } from "@/db/ops";
import { bed } from "../bed/bed";
import { beds } from "../bed/queries";
import { nextCode } from "../code";
import { type Context, command } from "../command";
import { planOne, usualPlan } from "../cross/plan";
import { type Line, line } from "../line/line";
import { lineOfName } from "../line/queries";
import { choice, metres, name, species as speciesField } from "../record";
import { writeSowing } from "../stand/commands";
import { forecaster } from "../stand/forecast";
import { stand } from "../stand/stand";

/** What somebody begins with: a variety that is kept, two parents that are crossed, a mix. */
const STARTS = ["keep", "cross", "mix"] as const;
export type Start = (typeof STARTS)[number];

/** Fruits of a first cross: as many as give seed enough for its F2. Working value. */
const FRUITS = 4;

/** The bed that is meant, else a new one beside those that there are. */
function bedOf({ db, write }: Context, bedId: Id | null, width: number, length: number): Id {
  if (bedId) return bedId;
  const all = beds(db);
  const last = all.at(-1);
  const place = last ? besideBed({ ...last, width, length }, all, PATH) : { x: 0, y: 0, turn: 0, width, length };
  const taken = new Set(all.map((one) => one.name));
  const called = taken.has("A") ? namesFrom(last!.name, 2, taken)[1]! : "A";
  return write.insert(bed, { name: called, ...place });
}

/** "Melon 2" where "Melon 1" is a line already, or the parent beside it. */
function nameFor({ db }: Context, species: string, but: string | null = null): string {
  const kind = speciesById(species).name;
  for (let n = 1; ; n++) {
    const called = `${kind} ${n}`;
    if (called !== but && !lineOfName(db, called, species)) return called;
  }
}

/** A garden's first variety, cross or mix: its lines, their bed, their sowing, and the cross, at one sitting. */
const begin = command(
  "start.begin",
  {
    start: choice("Start", STARTS),
    species: speciesField(),
    name: name("Name").optional(),
    /** Of a cross, what the father is called. */
    father: name("Name of the father").optional(),
    ...stand.adding("bedId", "sown", "wanted"),
    width: metres("Width of the bed").or(FIRST_BED.width),
    length: metres("Length of the bed").or(FIRST_BED.length),
  },
  (context, { start, species, father, bedId, sown, wanted, width, length, ...input }) => {
    const { write, today } = context;
    const where = bedOf(context, bedId, width, length);
    const grow = (called: string): { lineId: Id; code: string; standId: Id } => {
      const school: Line["school"] = start === "mix" ? "let-it-mix" : "keep-pure";
      const code = nextCode(context, "line", yearOf(today));
      const status = start === "mix" ? "mix" : "open-pollinated";
      const lineId = write.insert(line, { code, name: called, species, school, status });
      const { id: standId } = writeSowing(context, species, { lineId, bedId: where, sown, wanted });
      return { lineId, code, standId };
    };
    const first = input.name ?? nameFor(context, species);
    const mother = grow(first);
    if (start !== "cross") return { message: `${first}: begun`, id: mother.lineId, code: mother.code };
    const second = father ?? nameFor(context, species, first);
    if (second === first) refuse("father", "Give the father a name of its own.");
    const other = grow(second);
    return planOne(context, forecaster(context.db, today), {
      ...usualPlan(species),
      motherStandId: mother.standId,
      fatherStandId: other.standId,
      fruitsWanted: FRUITS,
      lineName: `${first} × ${second}`.slice(0, 120),
    });
  },
);

export const startCommands = [begin] as const;
