import { dayInWords } from "@/core/calendar/day";
import { refuse } from "@/db/ops";
import { notAhead, type Rule, touched } from "../facts";
import { refuseBeyond } from "../lot/left";
import { lotById } from "../lot/queries";
import { countsOf, testById } from "./queries";
import type { Test, TestCount } from "./test";

export const testRule: Rule<Test> = (facts, next, before) => {
  const lot = lotById(facts.db, next.lotId);
  if (touched(next, before, "on", "lotId")) {
    notAhead(facts, next.on);
    if (lot && next.on < lot.gathered)
      refuse("on", `It was gathered on ${dayInWords(lot.gathered)}; no test of it can be older.`);
  }
  if (touched(next, before, "sown", "lotId")) refuseBeyond(facts, next.lotId, next.sown, "sown", "tested");
  const counts = before ? countsOf(facts.db, next.id) : [];
  const last = counts.at(-1);
  if (last && next.sown < last.up) refuse("sown", `${last.up} have come up already.`);
  if (touched(next, before, "endedOn") && next.endedOn) {
    notAhead(facts, next.endedOn, "endedOn");
    if (next.endedOn < next.on || (last && next.endedOn < last.on))
      refuse("endedOn", "A test ends on or after its last count.");
  }
};

export const testCountRule: Rule<TestCount> = (facts, next, before) => {
  if (!touched(next, before, "on", "up", "testId")) return;
  notAhead(facts, next.on);
  const test = testById(facts.db, next.testId);
  if (!test) return;
  if (next.on < test.on) refuse("on", `The test was set on ${dayInWords(test.on)}.`);
  if (test.endedOn && next.on > test.endedOn) refuse("on", `The test ended on ${dayInWords(test.endedOn)}.`);
  if (next.up > test.sown) refuse("up", `Only ${test.sown} seeds were tested.`);
  const others = countsOf(facts.db, next.testId).filter(({ id }) => id !== next.id);
  const less = others.filter(({ on }) => on > next.on).find(({ up }) => up < next.up);
  const more = others.filter(({ on }) => on < next.on).findLast(({ up }) => up > next.up);
  const against = more ?? less;
  if (against)
    refuse(
      "up",
      `A count never falls: on ${dayInWords(against.on)} it was ${against.up}. Count all that came up so far.`,
    );
};
