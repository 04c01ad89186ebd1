import type { Range } from "../flowering/facts";

/** Ways of getting seed clean. */
export const WAYS = {
  thresh: "Thresh",
  bag: "Shake in a bag",
  rub: "Rub",
  shell: "Shell by hand",
  scoop: "Scoop out and dry",
  rinse: "Scoop out and rinse",
  ferment: "Ferment",
  blender: "Blender, with water",
} as const;
export type Way = keyof typeof WAYS;

/** What is done with seed on its way from fruit to packet. */
export const HANDLINGS = [
  "open",
  "thresh",
  "stir",
  "rinse",
  "float",
  "sieve",
  "winnow",
  "spread",
  "turn",
  "weigh",
  "nail",
  "snap",
  "freeze",
  "thaw",
] as const;
export type Handling = (typeof HANDLINGS)[number];

/** Vessels and tools that seed passes through. */
export const VESSELS = ["crate", "bag", "cup", "strainer", "machine", "tray", "plate", "jar"] as const;
export type VesselKind = (typeof VESSELS)[number];

/** One step of a way: what is done, into what, and how long after the step before, hours. */
export type WayStep = {
  act: Handling;
  title: string;
  how: string;
  into: VesselKind | null;
  after: { from: number; best: number; last: number | null };
  /** What comes of it when it is done too late. */
  otherwise: string | null;
  /** Cautions that belong to it, by their names in the catalogue. */
  hazards: string[];
};

/** What a run is made for. */
export type RunFacts = {
  way: Way;
  /** Warmth of the room, °C. */
  warmth: number;
  /** A little of a finished ferment was put in. */
  starter: boolean;
  goodSeed: "sinks" | "floats" | "either";
  chaff: "winnow" | "sieve";
  /** Hot fruit: gloves. */
  hot: boolean;
};

/** Hours of a ferment at 20 °C, from the schools that rinse soon to those that wait for every bit of gel. Practice. */
const FERMENT: Range = { low: 36, high: 96 };
/** For ten degrees more it takes half as long. Working value. */
const HALVED_BY = 10;
/** A starter spares so much of it. Working value. */
const WITH_STARTER = 0.65;
/** Beyond so many times the longest usual ferment seed sprouts in it. Working value. */
const SPROUTS = 1.25;
/** Colder or warmer than these nobody ferments; the rule is held there. */
const held = (warmth: number) => Math.min(35, Math.max(12, warmth));

/**
 * How long a ferment takes, hours: when the first growers rinse, the middle, when the last do, and when seed begins to sprout.
 *
 * Source: growers' practice of one and a half to four days at room warmth; twice as fast for ten degrees more (working).
 * @param warmth of the room, °C
 * @param starter whether a little of a finished ferment was put in
 * @example fermentHours(20, false) // { from: 36, best: 66, last: 96, sprouts: 120 }
 */
export function fermentHours(warmth: number, starter: boolean) {
  const times = 2 ** ((20 - held(warmth)) / HALVED_BY) * (starter ? WITH_STARTER : 1);
  const from = Math.round(FERMENT.low * times);
  const last = Math.round(FERMENT.high * times);
  return { from, best: Math.round((from + last) / 2), last, sprouts: Math.round(FERMENT.high * times * SPROUTS) };
}

const at = (from: number, best = from, last: number | null = null) => ({ from, best, last });
const AT_ONCE = at(0, 0, 6);

const DRY_HEADS = "Outdoors, the wind behind you. Let nothing of another lot lie in the sheet or the machine.";

function wetSteps({ way, warmth, starter, goodSeed, hot }: RunFacts): WayStep[] {
  const gloves = hot ? ["hot-pepper"] : [];
  const open: WayStep = {
    act: "open",
    title: way === "blender" ? "Into the blender with cold water" : "Open the fruit, scoop out the seed",
    how:
      way === "blender"
        ? "Short pulses on the lowest speed; blunt the blades with tape."
        : way === "ferment"
          ? "With its juice, enough to cover the seed. Rotten flesh can stay out; its seed is mostly sound."
          : "Leave out what is brown or hollow.",
    into: "cup",
    after: at(0),
    otherwise: null,
    hazards: [...gloves, ...(way === "blender" ? ["blade"] : [])],
  };
  const spread: WayStep = {
    act: "spread",
    title: "Spread it thin to dry",
    how: "On paper, mesh or a plate, out of the sun, with air. Never on what it sticks to.",
    into: "plate",
    after: AT_ONCE,
    otherwise: "wet seed sprouts or moulds in a night",
    hazards: gloves,
  };
  if (way === "scoop") return [open, spread];
  const { from, best, last, sprouts } = fermentHours(warmth, starter);
  const rinse: WayStep = {
    act: "rinse",
    title: way === "ferment" ? "Rinse it, the gel is off" : "Rinse until the water stays clear",
    how: "Rub it against the strainer under cold water, three times or more.",
    into: "strainer",
    after: way === "ferment" ? at(from, best, sprouts) : AT_ONCE,
    otherwise:
      way === "ferment" ? `it sprouts in the cup; most growers are done by ${last} hours` : "gel dries on and glues it",
    hazards: [],
  };
  const float: WayStep = {
    act: "float",
    title: goodSeed === "sinks" ? "Pour off what floats" : "Let it settle in water",
    how:
      goodSeed === "sinks"
        ? "Good seed sinks; empty seed and pulp go over the rim. Keep what floats apart if you doubt it."
        : goodSeed === "floats"
          ? "Of this crop good seed floats: skim it off, and leave what sinks."
          : "Of this crop good seed may float: pour off pulp only, and judge seed by hand once it is dry.",
    into: null,
    after: AT_ONCE,
    otherwise: null,
    hazards: [],
  };
  const stir: WayStep = {
    act: "stir",
    title: "Stir the ferment",
    how: "A lid lies loose on it against flies. A film of mould is stirred under.",
    into: null,
    after: at(12, 24, 36),
    otherwise: "it dries on top and seed there is lost",
    hazards: ["ferment"],
  };
  return way === "ferment" ? [open, stir, rinse, float, spread] : [open, rinse, float, spread];
}

function drySteps({ way, chaff }: RunFacts): WayStep[] {
  const THRESH: Record<string, string> = {
    thresh: "Beat, tread or rub it out on a sheet.",
    bag: "Shake the heads in a paper bag; what falls first is the ripest.",
    rub: "Rub the heads between gloved hands or on a board.",
    shell: "Shell it by hand; leave out small, stained and holed seed. Of ears take the middle, keep the ends apart.",
  };
  const thresh: WayStep = {
    act: "thresh",
    title: way === "shell" ? "Shell it" : "Get the seed out",
    how: `${THRESH[way]} ${DRY_HEADS}`,
    into: "tray",
    after: at(0),
    otherwise: null,
    hazards: ["dust"],
  };
  const sieve: WayStep = {
    act: "sieve",
    title: "Sieve, coarse then fine",
    how: "The coarse sieve holds stalks, the fine one lets dust through.",
    into: null,
    after: at(0),
    otherwise: null,
    hazards: ["dust"],
  };
  const winnow: WayStep = {
    act: "winnow",
    title: "Winnow it",
    how: "Pour it slowly before a gentle wind; what falls farther is lighter seed, kept apart as second best.",
    into: null,
    after: at(0),
    otherwise: null,
    hazards: ["dust"],
  };
  const spread: WayStep = {
    act: "spread",
    title: "Spread it to dry on",
    how: "Thin, in the shade, on paper or mesh. Large seed that feels dry needs weeks more.",
    into: "plate",
    after: at(0, 0, 72),
    otherwise: "it heats and moulds in a heap",
    hazards: [],
  };
  if (way === "shell") return [thresh, spread];
  return chaff === "winnow" ? [thresh, sieve, winnow, spread] : [thresh, sieve, spread];
}

const WET: ReadonlySet<Way> = new Set<Way>(["scoop", "rinse", "ferment", "blender"]);

/** Whether seed gets wet on its way. @example isWet("ferment") // true */
export const isWet = (way: Way): boolean => WET.has(way);

/**
 * The steps of a way of cleaning, from fruit or heads to the plate it dries on.
 * @example stepsOf({ way: "scoop", warmth: 20, starter: false, goodSeed: "either", chaff: "winnow", hot: false })
 *   .map(({ act }) => act) // ["open", "spread"]
 */
export const stepsOf = (facts: RunFacts): WayStep[] => (isWet(facts.way) ? wetSteps(facts) : drySteps(facts));
