import type { Range } from "../../flowering/facts";
import { type CleaningWay, hoursAfter, type WayStep } from "./way";
import { floatStep, openStep, rinseStep, spreadStep } from "./wet";

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

const OPEN = {
  title: "Open the fruit, scoop out the seed",
  how: "With its juice, enough to cover the seed. Rotten flesh can stay out; its seed is mostly sound.",
};

const STIR: WayStep = {
  act: "stir",
  title: "Stir the ferment",
  how: "A lid lies loose on it against flies. A film of mould is stirred under.",
  into: null,
  after: hoursAfter(12, 24, 36),
  otherwise: "it dries on top and seed there is lost",
  hazards: ["ferment"],
};

export const ferment: CleaningWay = {
  name: "Ferment",
  wet: true,
  steps: (facts) => {
    const { from, best, last, sprouts } = fermentHours(facts.warmth, facts.starter);
    const rinsed = rinseStep({
      title: "Rinse it, the gel is off",
      after: hoursAfter(from, best, sprouts),
      otherwise: `it sprouts in the cup; most growers are done by ${last} hours`,
    });
    return [openStep(facts, OPEN), STIR, rinsed, floatStep(facts), spreadStep(facts)];
  },
};
