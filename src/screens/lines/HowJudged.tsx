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
        A line comes true when every test has passed. The tests are judged after every season. Of lines that miss a
        limit, at most 5 of 100 ever pass, however many seasons you look.
      </p>
      <ul className="list-disc space-y-2 pl-5">
        <li>
          Off-types: all plants looked at count together, since the last season with far too many. Only plants that were
          scored, marked or removed count, or as many as a walk looked at. Without an off-type, a limit of 5% takes 59
          plants. The limit is the line’s wanted purity, or 5% at usual care (10% for outcrossing crops).
        </li>
        <li>Categories that belong to the line: plants with another value are counted the same way.</li>
        <li>
          Uniform: its plants vary at most 1.5 times as much as plants of known lines beside it, over all seasons
          together. A few more plants of known lines help most.
        </li>
        <li>
          Same in its seasons: on the mean over its traits, two seasons running differ by less than its plants do. Known
          lines that grew beside it in both take the weather out.
        </li>
        <li>Enough generations: what is expected not to be fixed yet, from how the seed was made.</li>
        <li>Enough parents, for outcrossing crops; one is enough for a self-pollinating crop.</li>
        <li>
          Seed isolated: hand-pollinated, or with foreign pollen under the limit. Until somebody has looked around,
          pollen nobody saw is assumed.
        </li>
        <li>In a line bred from a cross, plants count from the F5 on: earlier generations still segregate.</li>
      </ul>
      <p>
        A mix is judged by its seasons, its diversity and its isolation; a move in the wanted direction is no fault. A
        cloned plant is judged by its off-types and its seasons. Plant variety and seed law has its own tests: local law
        comes first.
      </p>
    </div>
  );
}
