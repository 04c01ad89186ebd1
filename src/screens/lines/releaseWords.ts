import { dayInWords } from "@/core/calendar/day";
import { generationName } from "@/core/custody/generation";
import { hasEnds, kindOf } from "@/core/traits/kinds";
import { plural } from "@/core/units/plural";
import { lengthInWords, type Units } from "@/core/units/units";
import type { Described, Release } from "@/views/release";
import { SCHOOLS } from "../common/standNames";
import { percent } from "../common/words";
import { testInWords, toScale } from "./trueWords";

/** A part of the sheet: what it is called, and its rows; a row without a name is a sentence. */
export type SheetPart = { title: string; rows: { name: string; words: string }[] };

const HOLDS = { holds: "passed", open: "not shown yet", fails: "not passed" } as const;

/** A yardstick as it describes a line: the mean, nine plants of ten, lowest and highest; or its words. */
function markInWords({ kind, unit, summary, words, lowEnd, highEnd }: Described): string {
  if (!summary)
    return words
      .map(({ word, count }) => `${word} ${percent(count / words.reduce((sum, one) => sum + one.count, 0))}`)
      .join(", ");
  const of = (value: number) => toScale(value, summary.spread || summary.mean || 1);
  const named = hasEnds({ kind }) ? `on 1 (${lowEnd}) to 9 (${highEnd})` : kindOf({ kind }).units(unit).axis;
  return `${of(summary.mean)} ${named}, from ${of(summary.low)} to ${of(summary.high)}; ${plural(summary.count, "plant")}`;
}

/** What is said under the picture of the typical plant. */
export const typicalInWords = ({ number, code }: NonNullable<Release["typical"]>): string =>
  `Typical: plant ${number} of ${code}`;

/** How the line came about, in a sentence. */
function methodInWords({ grown, line, trueness }: Release): string {
  const last = grown.generations.at(-1);
  const how =
    trueness.as === "clone"
      ? "one plant, multiplied"
      : trueness.as === "mix"
        ? "let mix, and kept by what came through"
        : last
          ? `selected from F2 to ${generationName(last, grown.backcrosses)}`
          : grown.seasons.length > 0
            ? "selected and rogued season by season"
            : "not grown yet";
  return `${SCHOOLS[line.school]}: ${how}.`;
}

/** A line's sheet as it is shown and printed, in parts. */
export function sheetParts(release: Release, units: Units): SheetPart[] {
  const { line, species, pedigree, grown, marks, typical, trueness, upkeep, hazards } = release;
  const row = (name: string, words: string | null) => (words ? [{ name, words }] : []);
  const metres = (value: number) => lengthInWords(value, units);
  const { going, well } = upkeep.plants;
  return [
    {
      title: "What it is",
      rows: [
        ...row("Species", `${species.name}, ${species.binomial}`),
        ...row("Description", line.description),
        ...(pedigree === line.name ? row("From", line.origin || "received seed") : row("Pedigree", pedigree)),
        ...row("How it came about", methodInWords(release)),
        ...row(
          "Grown",
          grown.seasons.length === 0
            ? null
            : `${plural(grown.plants, "plant")} in ${plural(grown.seasons.length, "season")}, ${grown.seasons.join(", ")}${
                grown.parents ? `; ${plural(grown.parents, "plant")} gave seed last` : ""
              }`,
        ),
        ...row("By its name since", line.releasedOn && dayInWords(line.releasedOn, "long")),
      ],
    },
    {
      title: "How it looks",
      rows: [
        ...marks.map((mark) => ({ name: mark.name, words: markInWords(mark) })),
        ...row("Typical plant", typical && `plant ${typical.number} of ${typical.code}`),
      ],
    },
    {
      title: "Does it come true",
      rows: trueness.tests.map((test) => {
        const { name, figure, why } = testInWords(test, trueness.as);
        return { name: `${name}: ${HOLDS[test.standing]}`, words: `${figure}. ${why}` };
      }),
    },
    {
      title: "How it is kept",
      rows: [
        ...row("Plants", `seed of ${going.low} at least keeps it going, ${well.low} to ${well.high} keep it well`),
        ...row(
          "Isolation",
          `${metres(upkeep.isolation.low)} to ${metres(upkeep.isolation.high)} from others of its kind (${upkeep.vector}), or tied and pollinated by hand`,
        ),
        ...row(
          "Roguing",
          upkeep.offTypes.length > 0
            ? `before the first flower: ${upkeep.offTypes.map(({ name, look }) => (look ? `${name} (${look})` : name)).join("; ")}`
            : "before the first flower, whatever does not look as described",
        ),
        ...row("Grown anew", `every ${plural(upkeep.regrow, "year")} at least, sooner where a test says so`),
      ],
    },
    {
      title: "Cautions",
      rows: [
        ...hazards.map(({ title, caution }) => ({ name: title, words: caution })),
        {
          name: "Law",
          words:
            "Variety rights and licence terms of its parents, rules on selling and swapping seed, and plant-health rules differ by country: local law first. This sheet is a grower’s own record, no registration.",
        },
      ],
    },
  ].filter(({ rows }) => rows.length > 0);
}
