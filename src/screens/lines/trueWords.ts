import { generationName } from "@/core/custody/generation";
import { EVEN } from "@/core/purity/evenness";
import { SURE } from "@/core/purity/standing";
import type { Trueness } from "@/core/purity/trueness";
import type { JudgedAs, SeedJudged, TrueTest } from "@/core/purity/trueTests";
import type { Progress } from "@/core/selection/progress";
import { unitOfDifference } from "@/core/selection/yardsticks";
import { oddsInWords, timesInTen } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
import { fixed } from "@/core/writing/numbers";
import type { YardstickLadder } from "@/views/ladders";
import { inHundred } from "../common/words";

/** Figures with as many places as what they stand beside needs. */
export const toScale = (value: number, scale: number): string =>
  fixed(value, Math.min(3, Math.max(0, Math.ceil(1 - Math.log10(Math.max(1e-9, Math.abs(scale)))))));

/** At most so many in a hundred: never said lower than it is. */
export const atMost = (share: number): string => `${Math.max(1, Math.ceil(share * 100 - 1e-9))} in 100`;

const NEVER = "Wrongly said of 1 line in 20 at most.";

/** What is said of a line above all else. */
export function verdictInWords({ says, wants, as, tests, holding }: Omit<Trueness, "step">): {
  head: string;
  under: string;
} {
  if (says === "true")
    return {
      head: as === "mix" ? "It holds together as a mix" : as === "clone" ? "It keeps its kind" : "It comes true",
      under: `All ${tests.length} tests hold. ${NEVER}`,
    };
  if (says === "unknown")
    return {
      head: as === "mix" ? "Nobody has looked yet how the mix goes" : "Nobody has looked yet whether it comes true",
      under: "Number some plants and score them, or walk them for what does not belong.",
    };
  const of = `${holding} of ${tests.length} tests hold`;
  if (wants === 0)
    return { head: "Not shown yet: what stands this season can tell", under: `${of}; none wants another season.` };
  const not = says === "no" ? "Not yet" : "Not shown yet";
  return {
    head: `${not}: ${wants === 1 ? "one season" : `${wants} seasons`} short`,
    under: `${of}; after this one it takes ${wants === 1 ? "one season" : `${wants} seasons`} more, at least.`,
  };
}

type Told = { name: string; figure: string; why: string };

const seasonCounts = (test: Extract<TrueTest, { key: "off-types" | "word" }>["test"]): string =>
  test.seasons.map(({ season, offTypes, plants }) => `${season}: ${offTypes} of ${plants}`).join("; ");

function ofOffTypes(one: Extract<TrueTest, { key: "off-types" | "word" }>): Told {
  const { test } = one;
  const failed = test.seasons.find(({ offTypes, maximum }) => offTypes > maximum);
  return {
    name: one.key === "word" ? `All alike in ${one.name.toLowerCase()}` : `Off-types under ${inHundred(test.standard)}`,
    figure: test.seasons.length === 0 ? "open" : `≤ ${atMost(test.upper)}`,
    why:
      test.seasons.length === 0
        ? "In no season that is over did anyone look."
        : `${one.key === "word" ? `Not ${one.wanted}: ` : ""}${seasonCounts(test)}${
            failed ? `; ${failed.season} should have no more than ${failed.maximum}` : ""
          }.${test.seasons.length === 1 ? " One season only." : ""}`,
  };
}

const KNOWN = { lines: "known lines", earlier: "its earlier seasons" };

function ofEven({ items }: Extract<TrueTest, { key: "even" }>): Told {
  const seen = items.filter(({ ratio }) => ratio !== null);
  const widest = seen.reduce<(typeof items)[number] | null>(
    (most, one) => (most && most.ratio!.high >= one.ratio!.high ? most : one),
    null,
  );
  const missing = items.filter(({ ratio }) => ratio === null).map(({ name }) => name);
  return {
    name: "As even as what comes true",
    figure: widest ? `${fixed(widest.ratio!.likely, 1)} times` : "open",
    why: widest
      ? `${widest.name} spreads ${fixed(widest.ratio!.likely, 1)} times (${fixed(widest.ratio!.low, 1)}–${fixed(widest.ratio!.high, 1)}) as wide as in ${KNOWN[widest.knownAre]}; ${fixed(EVEN, 1)} is taken.`
      : `Nothing that is known to be even was measured beside it: ${missing.join(", ")}.`,
  };
}

function ofAgreement({ key, items }: Extract<TrueTest, { key: "seasons" | "sowings" }>): Told {
  const name = key === "seasons" ? "Two seasons agree" : "Two sowings agree";
  if (items.length === 0) return { name, figure: "open", why: "Nothing was measured in two seasons." };
  const size = (one: (typeof items)[number]) => Math.abs(one.difference!.likely) / (one.margin || 1);
  const worst = items.reduce((most, one) => (size(one) > size(most) ? one : most));
  const { difference, margin, unit, against } = worst;
  const of = (value: number) => toScale(value, margin);
  return {
    name,
    figure: `${difference!.likely > 0 ? "+" : ""}${of(difference!.likely)} ${unit}`,
    why: `${worst.name}: ${of(difference!.low)} to ${of(difference!.high)} ${unit}${
      against.length > 0 ? " against the lines beside it" : ", the weather in it"
    }; its plants differ by ${of(margin)}.`,
  };
}

function ofSeed({ lots, standard }: Extract<TrueTest, { key: "seed" }>, as: JudgedAs): Told {
  const name = as === "mix" ? "No harmful pollen came in" : "Its seed was isolated";
  if (lots.length === 0) return { name, figure: "open", why: "Nobody wrote down which seed it was sown from." };
  const said = ({ code, made, doubt, upper, counted }: SeedJudged): string => {
    if (counted && upper !== null)
      return `${code}: ${counted.strange} of ${counted.plants} had a stranger for a father`;
    if (doubt) return `${code}: ${doubt}`;
    if (made === "by-hand") return `${code} by hand`;
    if (made === "received") return `${code} was received`;
    return upper === null ? `${code}: nobody can say` : `${code} open, at most ${oddsInWords(upper)} a stranger`;
  };
  const open = lots.filter(({ standing }) => standing !== "holds");
  const shown = (open.length > 0 ? open : lots).slice(0, 3).map(said);
  const high = Math.max(...lots.map(({ upper }) => upper ?? 0));
  return {
    name,
    figure: lots.every(({ standing }) => standing === "holds") ? "yes" : high > standard ? atMost(high) : "open",
    why: `${shown.join("; ")}${lots.length > shown.length ? `; ${plural(lots.length - shown.length, "more lot")}` : ""}.`,
  };
}

/** A test with its figures, as it stands on the page. */
export function testInWords(test: TrueTest, as: JudgedAs): Told {
  switch (test.key) {
    case "off-types":
    case "word":
      return ofOffTypes(test);
    case "even":
      return ofEven(test);
    case "seasons":
    case "sowings":
      return ofAgreement(test);
    case "fixed":
      return {
        name: "Bred long enough",
        figure: inHundred(test.mixed.likely),
        why: `Expected still mixed in one plant of its newest generation; ${inHundred(test.limit)} is taken.`,
      };
    case "parents":
      return {
        name: "Bred from enough plants",
        figure:
          test.seasons.length > 0 ? plural(Math.min(...test.seasons.map(({ plants }) => plants)), "plant") : "open",
        why:
          test.seasons.length === 0
            ? "No seed of it was saved from plants on record."
            : `${test.seasons.map(({ season, plants }) => `${season}: ${plants}`).join("; ")}. ${
                test.oneIsEnough ? "One is enough for what selfs." : `${test.wanted} keep it going.`
              }`,
      };
    case "variety":
      return {
        name: "Keeps its variety",
        figure: inHundred(1 - test.lost),
        why: `What ${plural(test.seasons, "season")} of so many parents leave of it by chance; ${inHundred(1 - test.limit)} is taken.`,
      };
    case "seed":
      return ofSeed(test, as);
  }
}

/** What to do next, of a test that does not hold. */
export function stepInWords(test: TrueTest, underWay: boolean): string {
  const when = test.wants === 0 && underWay ? "This season" : "Next season";
  switch (test.key) {
    case "off-types":
      return test.plants > 0
        ? `${when} look over ${test.plants} plants: with no off-type among them it is shown.`
        : `${when} walk it again: two seasons running must keep the standard.`;
    case "word":
      return `${when} look at ${test.name.toLowerCase()} of every plant${
        test.plants > 0 ? `, ${test.plants} at least` : ""
      }, and keep only families that are all ${test.wanted}.`;
    case "even": {
      const bare = test.items.filter(({ ratio }) => ratio === null);
      if (bare.length > 0)
        return `${when} grow six plants of a line that comes true beside it, and measure ${bare[0]!.name.toLowerCase()} on all.`;
      const wide = test.items.find(({ standing }) => standing === "fails") ?? test.items[0]!;
      return test.standing === "fails"
        ? `${when} keep seed only of the families nearest to each other in ${wide.name.toLowerCase()}.`
        : `${when} measure ${wide.name.toLowerCase()} of more plants.`;
    }
    case "seasons":
      return test.items.length === 0
        ? "Score ten plants on one yardstick, in two seasons."
        : `${when} score it again on the same yardsticks, with the same lines beside it.`;
    case "sowings":
      return `${when} sow it twice, some weeks apart, and measure both.`;
    case "fixed":
      return `Self it ${test.wants === 1 ? "once" : `${test.wants} times`} more, a few plants of the best families.`;
    case "parents":
      return `${when} save seed of ${test.wanted} plants at least.`;
    case "variety":
      return "Bring in seed of a founder that is left, and save from more plants.";
    case "seed":
      return "Grow thirty plants of that seed and count strangers among them, or tie flowers this time.";
  }
}

/** How a generation is called. */
type Named = (generation: number) => string;

const changeInWords = ({ change, from, to }: Progress, mark: YardstickLadder["yardstick"], named: Named): string => {
  const of = (value: number) => toScale(value, change.likely || 1);
  const unit = unitOfDifference(mark);
  const side = mark.kind === "date" ? (change.likely < 0 ? "earlier" : "later") : change.likely < 0 ? "less" : "more";
  const [low, high] = [Math.abs(change.low), Math.abs(change.high)].sort((a, b) => a - b);
  const range = change.low * change.high > 0 ? `${of(low!)}–${of(high!)}` : `${of(change.low)} to ${of(change.high)}`;
  return `${of(Math.abs(change.likely))} ${unit} ${side} (${range}) from ${named(from.generation)} to ${named(to.generation)}`;
};

/** What came of the generations on one yardstick, in a sentence. */
export function progressInWords({ yardstick, progress }: YardstickLadder, backcrosses: number): string | null {
  const named: Named = (generation) => generationName(generation, backcrosses);
  if (!progress) return null;
  const { nearer, spread, realised, against } = progress;
  const words = yardstick.kind === "category" || yardstick.kind === "yes-no";
  const parts = [
    words
      ? `As wanted ${inHundred(progress.from.mean)} in ${named(progress.from.generation)}, ${inHundred(progress.to.mean)} in ${named(progress.to.generation)}`
      : changeInWords(progress, yardstick, named),
    nearer === null ? "it was as wanted from the start" : `nearer to what is wanted ${timesInTen(nearer)}`,
    ...(spread === null ? [] : [`its plants spread ${fixed(spread, 1)} times as wide as then`]),
  ];
  const came =
    realised === null
      ? ""
      : ` Of what was chosen for, ${inHundred(Math.max(0, Math.min(1, realised.likely)))} came again (${fixed(realised.low, 1)}–${fixed(realised.high, 1)}).`;
  return `${parts.join("; ")}.${came}${words ? "" : against.length > 0 ? " Held against the lines beside it." : " The weather is in it."}`;
}

/** Whether it is getting anywhere, over all yardsticks. */
export function gettingAnywhere(ladders: YardstickLadder[], backcrosses: number): string | null {
  const called: Named = (generation) => generationName(generation, backcrosses);
  const judged = ladders.flatMap(({ yardstick, progress }) =>
    progress && progress.nearer !== null && yardstick.weight > 0
      ? [{ name: yardstick.name, nearer: progress.nearer, from: progress.from.generation }]
      : [],
  );
  if (judged.length === 0) return null;
  const named = (list: typeof judged) => list.map(({ name }) => name.toLowerCase()).join(", ");
  const yes = judged.filter(({ nearer }) => nearer >= SURE);
  const no = judged.filter(({ nearer }) => nearer <= 1 - SURE);
  const rest = judged.filter(({ nearer }) => nearer > 1 - SURE && nearer < SURE);
  const since = `since ${called(Math.min(...judged.map(({ from }) => from)))}`;
  const said = [
    ...(yes.length > 0 ? [`nearer its aim ${since} in ${named(yes)}`] : []),
    ...(no.length > 0 ? [`farther in ${named(no)}`] : []),
    ...(rest.length > 0 ? [`not to be told in ${named(rest)}`] : []),
  ].join("; ");
  const head = yes.length > 0 ? (no.length > 0 ? "In part" : "Yes") : no.length > 0 ? "No" : "Not to be told yet";
  return `${head}: ${said}.`;
}
