import { generationName } from "@/core/custody/generation";
import type { OffTypeTest } from "@/core/purity/offTypeTest";
import { SURE } from "@/core/purity/standing";
import type { NextStep, Trueness } from "@/core/purity/trueness";
import type { JudgedAs, SeedJudged, TrueTest } from "@/core/purity/trueTests";
import type { Progress } from "@/core/selection/progress";
import { isMeasured, kindOf } from "@/core/traits/kinds";
import { timesInTen } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
import { countedInWords, percentInWords } from "@/core/writing/figures";
import { fixed } from "@/core/writing/numbers";
import type { YardstickLadder } from "@/views/ladders";
import { inHundred } from "../common/words";

/** Figures with as many places as what they stand beside needs. */
export const toScale = (value: number, scale: number): string =>
  fixed(value, Math.min(3, Math.max(0, Math.ceil(1 - Math.log10(Math.max(1e-9, Math.abs(scale)))))));

/** At most so many in a hundred: never said lower than it is. */
export const atMost = (share: number): string => `${Math.max(1, Math.ceil(share * 100 - 1e-9))} in 100`;

/** What is said of a line above all else. */
export function verdictInWords({ says, wants, as, tests, holding }: Omit<Trueness, "step" | "next">): {
  head: string;
  under: string;
} {
  if (says === "true")
    return {
      head: as === "mix" ? "It holds together as a mix" : as === "clone" ? "It keeps its kind" : "It comes true",
      under: `All ${tests.length} tests passed. Of lines that miss a limit, at most 5 of 100 ever get this verdict.`,
    };
  if (says === "unknown")
    return {
      head: "Not checked in any finished season",
      under: "Number some plants and score them, or walk them and count how many you looked at.",
    };
  const passed = `${holding} of ${tests.length} tests passed.`;
  if (wants === 0) return { head: "Not shown yet: this season can tell", under: passed };
  return {
    head: `Not stable yet: at least ${plural(wants, "more season")}`,
    under: `This season is not counted. ${passed}`,
  };
}

type Told = { name: string; figure: string; why: string };

const seasonCounts = (test: OffTypeTest): string =>
  test.seasons.map(({ season, offTypes, plants }) => `${season}: ${offTypes} of ${plants}`).join("; ");

function ofOffTypes(one: Extract<TrueTest, { key: "off-types" | "word" }>): Told {
  const { test } = one;
  const failed = test.seasons[0]?.failed ? test.seasons[0] : null;
  const undecided =
    test.undecided > 0
      ? ` ${plural(test.undecided, "removed plant")} ${test.undecided === 1 ? "is" : "are"} not decided.`
      : "";
  return {
    name:
      one.key === "word"
        ? `All ${one.wanted}: ${one.name.toLowerCase()}`
        : `Off-types under ${percentInWords(test.limit)}`,
    figure: test.seasons.length === 0 ? "open" : `up to ${percentInWords(test.upper)}`,
    why:
      test.seasons.length === 0
        ? `Not checked in a finished season that counts.${undecided}`
        : `${one.key === "word" ? `Not ${one.wanted}: ` : ""}${seasonCounts(test)}.${
            failed ? ` ${failed.season} had too many: the count begins again.` : ""
          }${undecided}${test.more ? ` ${test.more} more without an off-type would pass.` : ""}`,
  };
}

const KNOWN = { lines: "the known lines beside it", earlier: "its own earlier seasons" };

function ofEven({ items }: Extract<TrueTest, { key: "even" }>): Told {
  const seen = items.filter(({ ratio }) => ratio !== null);
  const widest = seen.reduce<(typeof items)[number] | null>(
    (most, one) => (most && most.ratio!.high >= one.ratio!.high ? most : one),
    null,
  );
  const missing = items.filter(({ ratio }) => ratio === null).map(({ name }) => name.toLowerCase());
  return {
    name: "Uniform",
    figure: widest ? `${fixed(widest.ratio!.likely, 1)} times as wide` : "open",
    why: widest
      ? `${widest.name} varies ${fixed(widest.ratio!.likely, 1)} times (${fixed(widest.ratio!.low, 1)} to ${fixed(widest.ratio!.high, 1)}) as much as in ${KNOWN[widest.knownAre]}. The limit is ${fixed(widest.limit, 1)}.`
      : items.every(({ own }) => own.plants === 0)
        ? "Not measured in a finished season that counts."
        : `Not tested. No stable line beside it was measured for ${missing.join(", ")}.`,
  };
}

function ofSeasons({ same, names, units }: Extract<TrueTest, { key: "seasons" }>): Told {
  const name = "Same in its seasons";
  const seen = same.traits.flatMap((trait, i) => (trait ? [{ ...trait, name: names[i]!, unit: units[i]! }] : []));
  if (!same.apart || seen.length === 0)
    return { name, figure: "open", why: "Not measured in two finished seasons that count." };
  const worst = seen.reduce((most, one) =>
    one.apart.likely / one.margin > most.apart.likely / most.margin ? one : most,
  );
  const of = (value: number) => toScale(value, worst.margin);
  const { low, likely, high } = worst.apart;
  return {
    name,
    figure: `${of(likely)} ${worst.unit} apart`,
    why: `${worst.name}: from one season to the next ${of(likely)} ${worst.unit} apart (${of(low)} to ${of(high)}), ${
      same.against.length > 0 ? "weather removed" : "weather included"
    }. Plants differ by ${of(worst.margin)}.`,
  };
}

function ofSowings({ items }: Extract<TrueTest, { key: "sowings" }>): Told {
  const name = "Same in two sowings";
  if (items.length === 0) return { name, figure: "open", why: "Too few plants were measured in one of the sowings." };
  const size = (one: (typeof items)[number]) => Math.abs(one.difference!.likely) / (one.margin || 1);
  const worst = items.reduce((most, one) => (size(one) > size(most) ? one : most));
  const { difference, margin, unit } = worst;
  const of = (value: number) => toScale(value, margin);
  return {
    name,
    figure: `${of(Math.abs(difference!.likely))} ${unit} apart`,
    why: `${worst.name}: ${of(difference!.likely)} ${unit} (${of(difference!.low)} to ${of(difference!.high)}). Plants differ by ${of(margin)}.`,
  };
}

function ofSeed({ lots, standard }: Extract<TrueTest, { key: "seed" }>, as: JudgedAs): Told {
  const name = as === "mix" ? "No harmful pollen" : "Seed isolated";
  if (lots.length === 0) return { name, figure: "open", why: "No record says which seed it was sown from." };
  const said = ({ code, made, doubt, upper, counted }: SeedJudged): string => {
    if (counted && upper !== null)
      return `${code}: foreign pollen in ${countedInWords(counted.strange, counted.plants)}`;
    if (doubt) return `${code}: ${doubt}`;
    if (made === "by-hand") return `${code}: pollinated by hand, or by itself`;
    if (made === "received") return `${code}: received seed`;
    return upper === null
      ? `${code}: not known`
      : `${code}: open-pollinated, foreign pollen up to ${percentInWords(upper)}`;
  };
  const open = lots.filter(({ standing }) => standing !== "holds");
  const shown = (open.length > 0 ? open : lots).slice(0, 3).map(said);
  const high = Math.max(...lots.map(({ upper }) => upper ?? 0));
  return {
    name,
    figure: lots.every(({ standing }) => standing === "holds")
      ? "yes"
      : high > standard
        ? `up to ${percentInWords(high)}`
        : "open",
    why: `${shown.join("; ")}${lots.length > shown.length ? `; and ${plural(lots.length - shown.length, "more lot")}` : ""}. The limit is ${percentInWords(standard)}.`,
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
      return ofSeasons(test);
    case "sowings":
      return ofSowings(test);
    case "fixed":
      return {
        name: "Enough generations",
        figure: `${percentInWords(test.mixed.likely)} not yet fixed`,
        why: `Expected in one plant of its newest generation. The limit is ${percentInWords(test.limit)}.`,
      };
    case "parents":
      return {
        name: "Enough parents",
        figure:
          test.seasons.length > 0 ? plural(Math.min(...test.seasons.map(({ plants }) => plants)), "plant") : "open",
        why:
          test.seasons.length === 0
            ? "No seed was saved from plants on record."
            : `${test.seasons.map(({ season, plants }) => `${season}: ${plants}`).join("; ")}. ${
                test.oneIsEnough ? "One is enough for a self-pollinating crop." : `${test.wanted} keep it going.`
              }`,
      };
    case "variety":
      return {
        name: "Keeps its diversity",
        figure: percentInWords(1 - test.lost),
        why: `Left after ${plural(test.seasons, "season")} with so many parents. The limit is ${percentInWords(1 - test.limit)}.`,
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
      if (test.test.undecided > 0) return "Decide which removed plants were off-types.";
      return test.plants > 0
        ? `${when}, look at ${test.plants} more plants. Without an off-type among them the test passes.`
        : `${when}, walk it again and count the plants you look at.`;
    case "word":
      return `${when}, score ${test.name.toLowerCase()} on every plant${
        test.plants > 0 ? `, at least ${test.plants}` : ""
      }. Keep only families that are all ${test.wanted}.`;
    case "even": {
      const bare = test.items.filter(({ ratio }) => ratio === null);
      if (bare.length > 0)
        return `${when}, grow six plants of a stable line beside it and measure ${bare[0]!.name.toLowerCase()} on all.`;
      const wide = test.items.find(({ standing }) => standing === "fails") ?? test.items[0]!;
      return test.standing === "fails"
        ? `${when}, keep seed only of families that are alike in ${wide.name.toLowerCase()}.`
        : `${when}, measure ${wide.name.toLowerCase()} again, with more plants of known lines beside it.`;
    }
    case "seasons":
      return test.same.seasons.length === 0
        ? "Score ten plants on one trait in two seasons."
        : `${when}, score the same traits again, with the same lines beside it.`;
    case "sowings":
      return `${when}, sow it twice, some weeks apart, and measure both.`;
    case "fixed":
      return `Self it ${test.wants === 1 ? "once" : `${test.wants} times`} more, a few plants of the best families.`;
    case "parents":
      return `${when}, save seed of at least ${test.wanted} plants.`;
    case "variety":
      return "Add seed of a founder that is left, and save seed of more plants.";
    case "seed":
      return "Grow thirty plants of that seed and count those with foreign pollen, or hand-pollinate this time.";
  }
}

/** One of the steps that raise the chance, as it stands in a list. */
export function raisingInWords({ step, plants, seasons, lines }: NextStep): string {
  switch (step) {
    case "decide":
      return "Decide which removed plants were off-types";
    case "isolate":
      return "Isolate the seed, or look around for what crosses with it";
    case "look-at":
      return `Look at ${plants} more plants`;
    case "checks":
      return lines === 0
        ? `Grow ${plants} plants of a stable line beside it`
        : `Grow ${plants} more plants of each known line beside it`;
    case "parents":
      return `Save seed of ${plants} plants`;
    case "generation":
      return `Grow ${plural(seasons - 1, "more generation")} after that`;
    case "season":
      return `Grow it ${plural(seasons - 1, "more season")} after that`;
  }
}

/** How a rung of the ladder is called. */
type Named = (rung: number) => string;

export const rungName = ({ by }: Pick<YardstickLadder, "by">, backcrosses: number): Named =>
  by === "season" ? String : (rung) => generationName(rung, backcrosses);

const changeInWords = ({ change, from, to }: Progress, mark: YardstickLadder["yardstick"], named: Named): string => {
  const of = (value: number) => toScale(value, change.likely || 1);
  const { units, sides } = kindOf(mark);
  const unit = units(mark.unit).difference;
  const side = change.likely < 0 ? sides.less : sides.more;
  const [low, high] = [Math.abs(change.low), Math.abs(change.high)].sort((a, b) => a - b);
  const range = change.low * change.high > 0 ? `${of(low!)}–${of(high!)}` : `${of(change.low)} to ${of(change.high)}`;
  return `${of(Math.abs(change.likely))} ${unit} ${side} (${range}) from ${named(from.generation)} to ${named(to.generation)}`;
};

/** What came of the generations on one yardstick, in a sentence. */
export function progressInWords(ladder: YardstickLadder, backcrosses: number): string | null {
  const { yardstick, progress } = ladder;
  const named = rungName(ladder, backcrosses);
  if (!progress) return null;
  const { nearer, spread, realised, against } = progress;
  const words = !isMeasured(yardstick);
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
  const judged = ladders.flatMap((ladder) => {
    const { yardstick, progress } = ladder;
    return progress && progress.nearer !== null && yardstick.weight > 0
      ? [
          {
            name: yardstick.name,
            nearer: progress.nearer,
            from: progress.from.generation,
            called: rungName(ladder, backcrosses),
          },
        ]
      : [];
  });
  if (judged.length === 0) return null;
  const named = (list: typeof judged) => list.map(({ name }) => name.toLowerCase()).join(", ");
  const yes = judged.filter(({ nearer }) => nearer >= SURE);
  const no = judged.filter(({ nearer }) => nearer <= 1 - SURE);
  const rest = judged.filter(({ nearer }) => nearer > 1 - SURE && nearer < SURE);
  const first = judged.reduce((least, one) => (one.from < least.from ? one : least));
  const since = `since ${first.called(first.from)}`;
  const said = [
    ...(yes.length > 0 ? [`nearer its aim ${since} in ${named(yes)}`] : []),
    ...(no.length > 0 ? [`farther in ${named(no)}`] : []),
    ...(rest.length > 0 ? [`not to be told in ${named(rest)}`] : []),
  ].join("; ");
  const head = yes.length > 0 ? (no.length > 0 ? "In part" : "Yes") : no.length > 0 ? "No" : "Not to be told yet";
  return `${head}: ${said}.`;
}
