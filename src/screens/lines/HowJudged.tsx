"use client";
import { Sheet } from "@/ui/Sheet";

/** What each test asks for, and what its holding means. */
export function HowJudged() {
  return (
    <Sheet trigger="How it is judged" title="How a line is judged" plain>
      {() => <Tests />}
    </Sheet>
  );
}

function Tests() {
  return (
    <div className="space-y-3">
      <p>
        A line comes true where every test holds. A test holds only where that is shown nineteen times in twenty, so
        that of lines that do not come true, one in twenty at most is said to.
      </p>
      <ul className="list-disc space-y-2 pl-5">
        <li>
          Off-types: in neither of two seasons running more than the standard tolerates, and of both together at most
          the standard (Clopper and Pearson’s bound). The standard is the line’s wanted purity, else by the garden’s
          care: 5 in 100 as usual, 10 in 100 for what crosses among itself.
        </li>
        <li>Words that belong to the line: those plants that show another are counted the same way.</li>
        <li>
          Even: its plants of a season, all families together, spread no more than 1.5 times as wide as plants of known
          lines (F of the variances).
        </li>
        <li>
          Two seasons, and two sowings of one: the means differ by less than its plants do, held against lines that
          stood beside it both times (two one-sided t tests).
        </li>
        <li>Bred long enough: what is expected to be mixed still, from how its seed was made.</li>
        <li>Enough parents, for what crosses; one is enough for what selfs.</li>
        <li>The seed it rests on: tied flowers, or strangers foreseen or counted under the standard.</li>
      </ul>
      <p>
        A mix is judged by means that stay and by the variety its numbers of parents keep; a plant that is multiplied by
        its off-types and its seasons alone. Plant variety and seed law, where it applies, has its own tests: local law
        first.
      </p>
    </div>
  );
}
