/** What a handling reads off: whether a value will do, how it is told, and whether it says that seed is dry. */
type ReadOff = {
  fits: (value: number | null) => boolean;
  /** What is asked for where it does not. */
  asked: string;
  words: (value: number) => string;
  dry: ((value: number) => boolean) | null;
};

/** What can be done beside the steps of a way, and what must be done before it. */
type Beside = { after: string; but: string };

type HandlingKind = { done: string; reads: ReadOff | null; beside: Beside | null };

const step = (done: string, reads: ReadOff | null = null): HandlingKind => ({ done, reads, beside: null });
const beside = (done: string, after: string, but: string, reads: ReadOff | null = null): HandlingKind => ({
  done,
  reads,
  beside: { after, but },
});
const trial = (asked: string, dryAt: 0 | 1, dry: string, soft: string): ReadOff => ({
  fits: (value) => value === 0 || value === 1,
  asked,
  words: (value) => (value === dryAt ? dry : soft),
  dry: (value) => value === dryAt,
});

const TIMES: ReadOff = { fits: () => true, asked: "", words: (value) => `, ${value} times`, dry: null };
const MASS: ReadOff = {
  fits: (value) => value !== null && value > 0,
  asked: "Say what it weighs.",
  words: (value) => `: ${value} g`,
  dry: null,
};
const NOT_SPREAD = "It was not spread to dry yet.";

/** What is done with seed on its way from fruit to packet; `dry` is no handling, but what a trial found. */
const KINDS = {
  open: step("opened"),
  thresh: step("threshed"),
  stir: beside("stirred", "open", "Nothing was put to ferment yet."),
  rinse: step("rinsed", TIMES),
  float: step("parted in water"),
  sieve: step("sieved"),
  winnow: step("winnowed"),
  spread: step("spread to dry"),
  turn: beside("turned", "spread", NOT_SPREAD),
  weigh: beside("weighed", "spread", "Weigh it once it is spread to dry.", MASS),
  nail: beside(
    "tried with a fingernail",
    "spread",
    NOT_SPREAD,
    trial("Say whether the nail leaves a dent.", 0, ": no dent, dry", ": a dent, not yet"),
  ),
  snap: beside(
    "tried whether it snaps",
    "spread",
    NOT_SPREAD,
    trial("Say whether it snaps.", 1, ": it snaps", ": it bends"),
  ),
  freeze: beside("into the freezer", "dry", "Only dry seed is frozen: wet seed bursts. Try a fingernail first."),
  thaw: beside("out of the freezer", "freeze", "It does not lie in the freezer."),
} satisfies Record<string, HandlingKind>;
export type Handling = keyof typeof KINDS;
export const HANDLINGS: Readonly<Record<Handling, HandlingKind>> = KINDS;
export const HANDLING_IDS = Object.keys(KINDS) as Handling[];
