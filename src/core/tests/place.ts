import type { Climate } from "../climate/climate";
import { hoursOfYear } from "../climate/climate";
import { dailyNormals, type Normals } from "../climate/temperature";
import type { FloweringFacts } from "../flowering/facts";
import { flowering } from "../flowering/forecast";
import { ripensBeforeFrost } from "../flowering/ripening";
import { KERNELS } from "../isolation/kernel";
import type { Barrier, Bed, Scene, SceneSource, SceneSpecies, SceneStand } from "../isolation/scene";
import type { LivingStand } from "../work/living";
import type { Act, Work } from "../work/work";

export { newWays } from "../isolation/share";

/** A valley in the north with cold winters. */
export const VALLEY: Normals = {
  min: [-4.5, -4, -1.5, 1.4, 5, 8.8, 10.8, 10.4, 6.6, 3, -0.6, -3.2],
  max: [2.5, 4.5, 9.5, 14, 18.5, 22, 24.2, 23.8, 19.2, 13.5, 7, 3.5],
};
/** The same valley with its seasons turned round. */
const SOUTHERN: Normals = {
  min: [...VALLEY.min.slice(6), ...VALLEY.min.slice(0, 6)],
  max: [...VALLEY.max.slice(6), ...VALLEY.max.slice(0, 6)],
};

export function climate(more: Partial<Climate> = {}): Climate {
  return {
    latitude: 48.6,
    daily: dailyNormals(VALLEY),
    measured: new Map(),
    hours: hoursOfYear(48.6, 9.3),
    frosts: { last: { day: "05-14", spread: 10 }, first: { day: "10-06", spread: 10 }, from: "stated", seasons: 0 },
    ...more,
  };
}

export const tropics = (): Climate =>
  climate({
    latitude: 2,
    daily: dailyNormals({ min: Array(12).fill(21), max: Array(12).fill(31) }),
    hours: hoursOfYear(2, 30),
    frosts: null,
  });

export const south = (): Climate =>
  climate({
    latitude: -41,
    daily: dailyNormals(SOUTHERN),
    hours: hoursOfYear(-41, 147),
    frosts: { last: { day: "11-12", spread: 10 }, first: { day: "04-07", spread: 10 }, from: "stated", seasons: 0 },
  });

/** An annual that needs neither cold nor long days. */
export const ANNUAL: FloweringFacts = {
  daysToFlower: { low: 50, high: 60 },
  flowerDays: { low: 30, high: 40 },
  daysToRipe: { low: 40, high: 50 },
  femaleLag: { low: 0, high: 0 },
  heat: { base: 8, ceiling: 30, degreeDays: { low: 350, high: 450 } },
  tender: false,
  light: { kind: "any", hours: null },
  cold: null,
};

/** A crop that flowers in its second year, after the cold of the winter. */
export const BIENNIAL: FloweringFacts = {
  ...ANNUAL,
  daysToFlower: { low: 440, high: 490 },
  heat: { base: 5, ceiling: 28, degreeDays: { low: 600, high: 850 } },
  cold: { below: 12, none: 16, days: { low: 60, high: 100 } },
};

export const SPECIES: SceneSpecies = {
  ...ANNUAL,
  id: "crop",
  name: "Crop",
  crossingGroup: "crop",
  crosses: [],
  wild: [],
  outcrossing: { low: 0.6, high: 0.9 },
  vector: "insects",
  selfs: false,
  refuses: false,
  byHand: true,
};

export const bed = (id: number, x: number, more: Partial<Bed> = {}): Bed => ({
  id: String(id),
  name: `bed ${id}`,
  x,
  y: 0,
  width: 8,
  length: 4,
  turn: 0,
  outside: false,
  ...more,
});

/** A stand of a line of its own in a bed of its own, 40 m from the next; ids are small numbers as text. */
export function stand(id: number, more: Partial<SceneStand> = {}): SceneStand {
  const sowing = more.sowing ?? { sown: "2027-05-01" };
  const species = more.species ?? SPECIES;
  return {
    id: String(id),
    lineId: String(id),
    name: `line ${id}`,
    species,
    school: "keep-pure",
    harm: "none",
    bed: bed(id, id * 40),
    plants: 20,
    spacing: 0.5,
    sowing,
    correction: null,
    window: flowering(sowing, species, null),
    flowers: "open",
    cover: null,
    mesh: null,
    removeEvery: null,
    saveFrom: null,
    seedWanted: true,
    limit: 0.01,
    isolation: 300,
    seedLasts: null,
    ...more,
  };
}

export function source(id: number, x: number, more: Partial<SceneSource> = {}): SceneSource {
  return {
    id: String(id),
    name: `source ${id}`,
    kind: "neighbour",
    species: SPECIES,
    outline: [{ x, y: 2 }],
    plants: 30,
    male: { start: "2027-06-20", end: "2027-07-25", earliest: "2027-06-15", latest: "2027-07-30" },
    presence: 1,
    harm: "none",
    agreed: false,
    asked: false,
    ...more,
  };
}

export const hedge = (x: number, factor = 0.3): Barrier => ({
  id: String(x),
  name: `hedge ${x}`,
  factor,
  path: [
    { x, y: -50 },
    { x, y: 50 },
  ],
});

export function scene(stands: SceneStand[], more: Partial<Scene> = {}): Scene {
  return {
    stands,
    sources: [],
    barriers: [],
    beds: [...stands.map((s) => s.bed), bed(90, 400), bed(91, -300)],
    windFrom: null,
    kernels: KERNELS,
    // Without normals a forecast goes by days, which keeps the cases plain.
    climate: climate({ daily: [] }),
    ripeWanted: 0.8,
    today: "2027-03-01",
    ...more,
  };
}

/** A piece of work that can be done at any time. */
export const piece = (act: Act, more: Partial<Work> = {}): Work => ({
  key: `${act} 1`,
  act,
  what: act,
  how: "",
  count: null,
  minutes: 10,
  part: "any-hour",
  from: "2027-04-01",
  best: "2027-04-01",
  last: null,
  otherwise: null,
  waitsFor: [],
  ...more,
});

/** A stand sown in its place on 1 May, an annual or a crop of the second year, in the valley or under another sky. */
export function living(more: Partial<LivingStand> = {}, sky: Climate = climate({ daily: [] })): LivingStand {
  const { sown = "2027-05-01", secondYear = false, tender = false, firstFlower = null } = more;
  const window = more.window ?? flowering({ sown, firstFlower }, { ...(secondYear ? BIENNIAL : ANNUAL), tender }, sky);
  return {
    id: "1",
    planned: false,
    sown,
    wanted: null,
    plants: null,
    sowedSeeds: null,
    perCell: 1,
    cameUp: null,
    upOn: null,
    pottedOn: null,
    plantedOut: null,
    liftedOn: null,
    replantedOn: null,
    firstFlower,
    overwinter: null,
    wintering: null,
    secondYear,
    tender,
    staked: false,
    fleshy: false,
    separateSexes: false,
    separatePlants: false,
    tasted: false,
    cover: null,
    fixing: false,
    selfs: false,
    ripeSign: "Pods are papery.",
    seedWanted: true,
    males: null,
    mix: false,
    allDiffer: false,
    flowers: "open",
    around: null,
    removeEvery: null,
    handled: false,
    gathered: false,
    scoring: null,
    choosing: null,
    window,
    ripening: ripensBeforeFrost(window, sky),
    raising: {
      how: "ground",
      up: { low: 7, high: 14 },
      prickOut: null,
      plantOut: null,
      emergence: { low: 0.7, high: 0.9 },
    },
    stages: { up: [{ rate: 0.8 }], stays: [{ rate: 0.85 }] },
    frosts: sky.frosts,
    frostNight: null,
    rainDay: null,
    done: new Map(),
    putOff: new Map(),
    ...more,
  };
}
