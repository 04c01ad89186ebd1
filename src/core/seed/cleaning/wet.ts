import { type CleaningFacts, type CleaningWay, hoursAfter, type WayStep } from "./way";

const AT_ONCE = hoursAfter(0, 0, 6);
const gloves = ({ hot }: CleaningFacts) => (hot ? ["hot-pepper"] : []);

const OPEN = { title: "Open the fruit, scoop out the seed", how: "Leave out what is brown or hollow." };
type Opened = { title: string; how: string; hazards?: string[] };

/** The first step of a wet way: fruit is opened. @example openStep({ hot: true }).hazards // ["hot-pepper"] */
export const openStep = (facts: CleaningFacts, { title, how, hazards = [] }: Opened = OPEN): WayStep => ({
  act: "open",
  title,
  how,
  into: "cup",
  after: hoursAfter(0),
  otherwise: null,
  hazards: [...gloves(facts), ...hazards],
});

const RINSE: Pick<WayStep, "title" | "after" | "otherwise"> = {
  title: "Rinse until the water stays clear",
  after: AT_ONCE,
  otherwise: "gel dries on and glues it",
};

/** Seed is rinsed. @example rinseStep().into // "strainer" */
export const rinseStep = (of = RINSE): WayStep => ({
  act: "rinse",
  how: "Rub it against the strainer under cold water, three times or more.",
  into: "strainer",
  hazards: [],
  ...of,
});

const FLOATS = {
  sinks: {
    title: "Pour off what floats",
    how: "Good seed sinks; empty seed and pulp go over the rim. Keep what floats apart if you doubt it.",
  },
  floats: {
    title: "Let it settle in water",
    how: "Of this crop good seed floats: skim it off, and leave what sinks.",
  },
  either: {
    title: "Let it settle in water",
    how: "Of this crop good seed may float: pour off pulp only, and judge seed by hand once it is dry.",
  },
};

/** Good seed is parted from bad in water. @example floatStep({ goodSeed: "sinks" }).title // "Pour off what floats" */
export const floatStep = ({ goodSeed }: Pick<CleaningFacts, "goodSeed">): WayStep => ({
  act: "float",
  ...FLOATS[goodSeed],
  into: null,
  after: AT_ONCE,
  otherwise: null,
  hazards: [],
});

/** Wet seed is spread to dry. @example spreadStep({ hot: false }).after // { from: 0, best: 0, last: 6 } */
export const spreadStep = (facts: CleaningFacts): WayStep => ({
  act: "spread",
  title: "Spread it thin to dry",
  how: "On paper, mesh or a plate, out of the sun, with air. Never on what it sticks to.",
  into: "plate",
  after: AT_ONCE,
  otherwise: "wet seed sprouts or moulds in a night",
  hazards: gloves(facts),
});

export const scoop: CleaningWay = {
  name: "Scoop out and dry",
  wet: true,
  steps: (facts) => [openStep(facts), spreadStep(facts)],
};

export const rinse: CleaningWay = {
  name: "Scoop out and rinse",
  wet: true,
  steps: (facts) => [openStep(facts), rinseStep(), floatStep(facts), spreadStep(facts)],
};

const BLEND: Opened = {
  title: "Into the blender with cold water",
  how: "Short pulses on the lowest speed; blunt the blades with tape.",
  hazards: ["blade"],
};

export const blender: CleaningWay = {
  name: "Blender, with water",
  wet: true,
  steps: (facts) => [openStep(facts, BLEND), rinseStep(), floatStep(facts), spreadStep(facts)],
};
