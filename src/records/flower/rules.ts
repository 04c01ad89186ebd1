import type { FlowerState } from "@/core/pollination/tally";
import { refuse } from "@/db/ops";
import { crossById } from "../cross/queries";
import { notAhead, type Rule, touched } from "../facts";
import { plantById } from "../plant/queries";
import type { Flower } from "./flower";

/** The days of a flower in the order in which they pass, with the word for each. */
export const DAYS = {
  coveredOn: "covered",
  gatheredOn: "gathered",
  pollinatedOn: "pollinated",
  lastPass: "lastPass",
  uncoveredOn: "uncovered",
  checkedOn: "checked",
} as const;
type DayColumn = keyof typeof DAYS;

type Needs = { needs: DayColumn[]; may: DayColumn[] };
const LOOKED_AT: Needs = { needs: ["pollinatedOn", "lastPass", "checkedOn"], may: ["gatheredOn", "uncoveredOn"] };
const ANY = Object.keys(DAYS) as DayColumn[];

/** The days that a state needs beside the covering, and those it may know of. */
const STATES: Record<FlowerState, Needs> = {
  covered: { needs: [], may: [] },
  gathered: { needs: ["gatheredOn"], may: [] },
  pollinated: { needs: ["pollinatedOn", "lastPass"], may: ["gatheredOn"] },
  uncovered: { needs: ["pollinatedOn", "lastPass", "uncoveredOn"], may: ["gatheredOn"] },
  set: LOOKED_AT,
  harvested: LOOKED_AT,
  failed: LOOKED_AT,
  lost: { needs: [], may: ANY },
  unusable: { needs: [], may: ["gatheredOn", "checkedOn"] },
};

/** A state is borne out by its days, and they follow each other. */
function story(next: Flower): void {
  const { needs, may } = STATES[next.state];
  for (const column of needs)
    if (next[column] === null) refuse(column, `a flower that is ${next.state} needs the day “${DAYS[column]}”`);
  const known = new Set<DayColumn>(["coveredOn", ...needs, ...may]);
  for (const column of ANY)
    if (next[column] !== null && !known.has(column))
      refuse(column, `a flower that is ${next.state} can't have the day “${DAYS[column]}”`);
  const told = ANY.filter((column) => next[column] !== null);
  for (const [i, column] of told.entries()) {
    const before = told[i - 1];
    if (before && next[column]! < next[before]!) refuse(column, `“${DAYS[column]}” lies before “${DAYS[before]}”`);
  }
}

export const flowerRule: Rule<Flower> = (facts, next, before) => {
  if (touched(next, before, "state", ...ANY)) {
    story(next);
    notAhead(
      facts,
      ANY.map((column) => next[column] ?? "").reduce((a, b) => (a > b ? a : b)),
    );
  }
  if (touched(next, before, "state", "fault", "lostWhy")) {
    if (next.state === "unusable" && !next.fault) refuse("fault", "an unusable flower needs its “fault”");
    if ((next.state === "lost") !== (next.lostWhy !== null))
      refuse("lostWhy", "“lostWhy” goes with the state lost, and only with it");
  }
  if (!touched(next, before, "coveredOn", "plantId", "crossId")) return;
  const cross = crossById(facts.db, next.crossId)!;
  if (next.coveredOn < cross.motherSown)
    refuse("on", `The mother was sown on ${cross.motherSown}; she had no flowers that day.`);
  if (next.plantId && plantById(facts.db, next.plantId)?.standId !== cross.motherStandId)
    refuse("plantId", `That plant does not stand in ${cross.motherCode}.`);
};
