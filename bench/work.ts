import { addDays } from "@/core/calendar/day";
import { climate, living } from "@/core/tests/place";
import { actsOf } from "@/core/work/acts";
import { standingOn } from "@/core/work/work";

const STANDS = 60;
const DAYS = 365;

/** What is open on so many stands, and how it stands on every day of a year. */
export function benchWork(): void {
  const sky = climate();
  const stands = Array.from({ length: STANDS }, (_, n) =>
    living(
      {
        id: String(n),
        planned: n % 2 === 0,
        sown: addDays("2027-03-01", n),
        secondYear: n % 5 === 0,
        overwinter: "lifted",
      },
      sky,
    ),
  );
  const days = Array.from({ length: DAYS }, (_, n) => addDays("2027-01-01", n));
  let due = 0;
  const began = performance.now();
  for (const stand of stands) {
    const works = actsOf(stand);
    const open = new Set(works.map(({ key }) => key));
    for (const work of works) due += days.filter((day) => standingOn(work, day, open) === "due").length;
  }
  const took = performance.now() - began;
  console.log(
    `\nThe work of ${STANDS} stands on every day of a year: ${took.toFixed(0)} ms, due on ${due} days of theirs`,
  );
}
