import { daysBetween } from "../calendar/day";
import { readDay } from "../writing/days";
import { measured, type ReadScore, type ReadWith } from "./kind";

/** Days from sowing, typed as such or as a day. */
function daysFromSowing(typed: string, { sown, today }: ReadWith): number | ReadScore {
  if (/^\d{1,3}$/.test(typed)) return Number(typed);
  const day = readDay(typed, today);
  if (day.kind === "read") return daysBetween(sown, day.value);
  if (day.kind === "asked") return { why: day.question };
  return { takes: "a day as 9 July or 2027-07-09, or days from sowing" };
}

/** The day on which something happened, kept as days from sowing. */
export const date = measured({
  name: "Day it happened",
  step: 1,
  heritability: { low: 0.2, high: 0.7 },
  often: ["once"],
  units: () => ({ value: "days", difference: "days", axis: "days from sowing" }),
  sides: { less: "earlier", more: "later" },
  entry: () => ({ by: "typing", keyboard: "text" }),
  keys: () => "t for today, or days from sowing or a day, and Enter",
  goesOn: (key) => /^[\p{L}0-9.\-/ ]$/u.test(key),
  takesToday: true,
  read: (typed, on) => {
    const since = daysFromSowing(typed, on);
    if (typeof since !== "number") return since;
    if (since < 0 || since > daysBetween(on.sown, on.today))
      return { why: "That day is before sowing or still to come." };
    return { value: { number: since, word: null } };
  },
});
