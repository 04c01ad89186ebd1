import { parentsToKeep } from "../selection/parents";
import { type Genome, several, type World } from "./world";

export const SCHEMES = [
  "pedigree",
  "single-seed",
  "bulk",
  "mass",
  "half-sib",
  "full-sib",
  "recurrent",
  "backcross",
  "near-isogenic",
  "pure-line",
  "undo-hybrid",
] as const;
export type SchemeKey = (typeof SCHEMES)[number];

export const PLAN_ACTS = [
  "cross",
  "self",
  "select-self",
  "one-seed",
  "select-open",
  "pair",
  "backcross",
  "compare",
  "keep",
  "let-be",
  "clone",
  "multiply",
] as const;
export type PlanAct = (typeof PLAN_ACTS)[number];
/** What is done by crossing plants by hand. */
export const CROSSING_ACTS: ReadonlySet<PlanAct> = new Set(["cross", "pair", "backcross"]);

/** What is done in a season of a plan: what is grown, in how many families, and what comes of it. */
export type PlanStep = {
  generation: string;
  act: PlanAct;
  plants: number;
  families: number;
  /** Plants whose seed is sown next. */
  kept: number;
  /** Crosses and selfings by hand. */
  hands: number;
};

export type Size = {
  /** Plants that there is ground for in a season. */
  plants: number;
  /** Seasons, the first cross among them. */
  seasons: number;
};

type Run = { final: Genome[]; steps: PlanStep[] };
type Scheme = (world: World, size: Size) => Run;

/** Kept of each generation, and plants of an F1, which are all alike. */
const KEPT = 5;
const F1_PLANTS = 4;
/** One plant in so many is kept where all mate. */
const ONE_IN = 5;

type Stands = { plants: number; families?: number; kept: number; hands?: number };
const step = (generation: string, act: PlanAct, { plants, families = 1, kept, hands = 0 }: Stands): PlanStep => ({
  generation,
  act,
  plants,
  families,
  kept: Math.min(kept, plants),
  hands,
});

/** Families as they stand. */
const standing = (families: Genome[][]) => ({ plants: families.flat().length, families: families.length });

const FIRST_CROSS = step("parents", "cross", { plants: 8, families: 2, kept: 1, hands: 1 });
const SELFED_F1 = step("F1", "self", { plants: F1_PLANTS, kept: F1_PLANTS, hands: 1 });

/** The cross and its F1. */
function begun(world: World): { f1: Genome; steps: PlanStep[] } {
  const f1 = world.child(world.parent(false), world.parent(true));
  return { f1, steps: [FIRST_CROSS, SELFED_F1] };
}

/** Offspring of some mothers in as many families as there are mothers, as far as the ground reaches. */
const familiesOf = (world: World, mothers: Genome[], plants: number): Genome[][] =>
  mothers.map((mother) => several(Math.max(1, Math.floor(plants / mothers.length)), () => world.selfed(mother)));

/** From an F2 on: the best plants of the best families selfed, generation by generation, and the best family at the end. */
function selectSelfed(world: World, f1: Genome, { plants }: Size, generations: number): Run {
  const steps: PlanStep[] = [];
  let families = [several(plants, () => world.selfed(f1))];
  for (let g = 2; g <= generations; g++) {
    const kept = parentsToKeep(true, g, 0);
    steps.push(step(`F${g}`, "select-self", { ...standing(families), kept, hands: kept }));
    const better = families.length > 1 ? world.bestFamilies(families, Math.ceil(families.length / 2)) : families;
    families = familiesOf(world, world.best(better.flat(), kept), plants);
  }
  steps.push(step(`F${generations + 1}`, "compare", { ...standing(families), kept: 1 }));
  return { final: world.bestRow(families), steps };
}

const pedigree: Scheme = (world, size) => {
  const { f1, steps } = begun(world);
  const run = selectSelfed(world, f1, size, Math.max(1, size.seasons - 2));
  return { final: run.final, steps: [...steps, ...run.steps] };
};

const undoHybrid: Scheme = (world, size) => {
  const f1 = world.child(world.parent(false), world.parent(true));
  const run = selectSelfed(world, f1, size, Math.max(1, size.seasons - 1));
  return { final: run.final, steps: [SELFED_F1, ...run.steps] };
};

/** One seed of each plant, without choosing, then lines beside each other. */
const singleSeed: Scheme = (world, { plants, seasons }) => {
  const { f1, steps } = begun(world);
  let lines = several(plants, () => world.selfed(f1));
  const generations = Math.max(1, seasons - 3);
  for (let g = 0; g < generations; g++) {
    steps.push(step(`F${2 + g}`, "one-seed", { plants: lines.length, kept: lines.length }));
    // Of the last ones several seeds are sown: they stand as rows.
    if (g < generations - 1) lines = lines.map((line) => world.selfed(line));
  }
  // As many lines as can stand with four plants each are compared.
  const compared = lines.slice(0, Math.max(1, Math.floor(plants / 4)));
  const rows = compared.map((line) => several(4, () => world.selfed(line)));
  steps.push(step(`F${2 + generations}`, "compare", { ...standing(rows), kept: 1 }));
  return { final: world.bestRow(rows), steps };
};

/** Let be until it is fixed, then chosen among. */
const bulk: Scheme = (world, { plants, seasons }) => {
  const { f1, steps } = begun(world);
  let all = several(plants, () => world.selfed(f1));
  const generations = Math.max(1, seasons - 4);
  for (let g = 0; g < generations; g++) {
    steps.push(step(`F${2 + g}`, "self", { plants: all.length, kept: all.length }));
    const before = all;
    all = several(plants, () => world.selfed(world.anyOf(before)));
  }
  steps.push(step(`F${2 + generations}`, "select-self", { plants: all.length, kept: KEPT, hands: KEPT }));
  const families = familiesOf(world, world.best(all, KEPT), plants);
  steps.push(step(`F${3 + generations}`, "compare", { ...standing(families), kept: 1 }));
  return { final: world.bestRow(families), steps };
};

/** The best mothers, whoever the fathers were. */
const mass: Scheme = (world, { plants, seasons }) => {
  const { f1, steps } = begun(world);
  let all = several(plants, () => world.openSeed(f1, [f1]));
  for (let s = 2; s < seasons; s++) {
    const kept = Math.ceil(plants / ONE_IN);
    steps.push(step(`F${s}`, s === seasons - 1 ? "compare" : "select-open", { plants: all.length, kept }));
    if (s === seasons - 1) break;
    const before = all;
    const mothers = world.best(before, kept);
    all = several(plants, () => world.openSeed(world.anyOf(mothers), before));
  }
  return { final: all, steps };
};

/** Families of mothers that anyone fathered: the best half of them, and the best plants in them. */
const halfSib: Scheme = (world, { plants, seasons }) => {
  const { f1, steps } = begun(world);
  const each = 8;
  const count = Math.max(2, Math.floor(plants / each));
  let families = several(count, () => several(each, () => world.openSeed(f1, [f1])));
  for (let s = 2; s < seasons; s++) {
    const last = s === seasons - 1;
    steps.push(step(`F${s}`, last ? "compare" : "select-open", { ...standing(families), kept: count }));
    if (last) break;
    const all = families.flat();
    const mothers = world.best(world.bestFamilies(families, Math.ceil(count / 2)).flat(), count);
    families = mothers.map((mother) => several(each, () => world.openSeed(mother, all)));
  }
  return { final: families.flat(), steps };
};

/** The best in pairs by hand, a family of each pair. */
const fullSib: Scheme = (world, { plants, seasons }) => {
  const { f1, steps } = begun(world);
  const pairs = Math.max(2, Math.floor(plants / 10));
  let families = [several(plants, () => world.selfed(f1))];
  for (let s = 2; s < seasons; s++) {
    const last = s === seasons - 1;
    const goesOn = last ? { kept: 1 } : { kept: 2 * pairs, hands: pairs };
    steps.push(step(`F${s}`, last ? "compare" : "pair", { ...standing(families), ...goesOn }));
    if (last) break;
    const parents = world.best(world.bestFamilies(families, Math.ceil(families.length / 2)).flat(), 2 * pairs);
    // One plant that is left over has only itself.
    families = Array.from({ length: Math.max(1, Math.floor(parents.length / 2)) }, (_, i) =>
      several(Math.max(1, Math.floor(plants / pairs)), () =>
        world.child(parents[2 * i]!, parents[2 * i + 1] ?? parents[2 * i]!),
      ),
    );
  }
  return { final: world.bestRow(families), steps };
};

/** The best crossed among each other by hand each season, pollen of both parents chosen; selfed twice at the end. */
const recurrent: Scheme = (world, { plants, seasons }) => {
  const { f1, steps } = begun(world);
  let all = several(plants, () => world.selfed(f1));
  const cycles = Math.max(1, seasons - 4);
  for (let s = 0; s < cycles; s++) {
    const parents = world.best(all, KEPT);
    steps.push(step(s === 0 ? "F2" : `cycle ${s}`, "pair", { plants: all.length, kept: KEPT, hands: KEPT }));
    all = several(plants, () => {
      const mother = world.anyOf(parents);
      return world.child(mother, world.anyOf(parents));
    });
  }
  steps.push(step(`cycle ${cycles}`, "select-self", { plants: all.length, kept: KEPT, hands: KEPT }));
  const families = familiesOf(world, world.best(all, KEPT), plants);
  steps.push(step("selfed", "compare", { ...standing(families), kept: 1 }));
  return { final: world.bestRow(families), steps };
};

/**
 * Back to the one parent again and again. Whoever shows what the other brought goes on, whatever else it is; a word that shows
 * with two copies only is selfed for in between. Then selfed twice at least, so that rows which all show it stand beside each other.
 */
const backcrossed =
  (chosen: keyof Pick<World, "best" | "bestByWords">): Scheme =>
  (world, { plants, seasons }) => {
    const { f1, steps } = begun(world);
    const back = world.parent(true);
    steps[1] = { ...steps[1]!, act: "backcross" };
    const each = world.hidden > 0 ? 2 : 1;
    const times = Math.max(1, Math.floor((seasons - 4 + (each - 1)) / each));
    const selfings = Math.max(1, seasons - 2 - each * times + (each - 1));
    const selfedBy = (mothers: Genome[]) => familiesOf(world, mothers, plants);
    let all = [f1];
    for (let t = 1; t <= times; t++) {
      const mothers = world.bestByWords(all, 3);
      all = several(plants, () => world.child(world.anyOf(mothers), back));
      if (t === times) break;
      if (each === 2) {
        steps.push(step(`BC${t}`, "self", { plants: all.length, kept: KEPT, hands: KEPT }));
        all = selfedBy(world.bestByWords(all, KEPT)).flat();
        steps.push(step(`BC${t}F2`, "backcross", { plants: all.length, families: KEPT, kept: 3, hands: 3 }));
      } else steps.push(step(`BC${t}`, "backcross", { plants: all.length, kept: 3, hands: 3 }));
    }
    steps.push(step(`BC${times}`, "select-self", { plants: all.length, kept: KEPT, hands: KEPT }));
    for (let s = 1; s <= selfings; s++) {
      const families = selfedBy(s === 1 ? world.bestByWords(all, KEPT) : world[chosen](all, KEPT));
      const last = s === selfings;
      all = last ? world.bestRow(families) : families.flat();
      const act = last ? "compare" : "select-self";
      const goesOn = last ? { kept: 1 } : { kept: KEPT, hands: KEPT };
      steps.push(step(`BC${times}F${s + 1}`, act, { ...standing(families), ...goesOn }));
    }
    return { final: all, steps };
  };

/** Of a mix of pure lines, rows of single plants, then the best rows again. */
const pureLine: Scheme = (world, { plants, seasons }) => {
  const loci = 2 * (world.genes + world.many);
  const founder = (): Genome => {
    const plant = new Uint8Array(loci);
    for (let i = 0; i < loci; i += 2) plant[i] = plant[i + 1] = Number(world.random() < 0.5);
    return plant;
  };
  const rowsAtFirst = Math.max(2, Math.ceil(plants / 8));
  const steps: PlanStep[] = [step("the mix", "select-self", { plants, kept: rowsAtFirst })];
  let lines = world.best(several(plants, founder), rowsAtFirst);
  let rows: Genome[][] = [];
  for (let s = 1; s < Math.max(2, Math.min(seasons, 4)); s++) {
    rows = lines.map((line) => several(Math.max(2, Math.floor(plants / lines.length)), () => world.selfed(line)));
    const kept = Math.max(1, Math.ceil(lines.length / 4));
    steps.push(step(`rows, year ${s}`, "compare", { ...standing(rows), kept }));
    lines = world.bestFamilies(rows, kept).map(([first]) => first!);
  }
  return { final: several(8, () => world.selfed(lines[0]!)), steps };
};

/** How each scheme goes. */
export const RUNS: Record<SchemeKey, Scheme> = {
  pedigree,
  "single-seed": singleSeed,
  bulk,
  mass,
  "half-sib": halfSib,
  "full-sib": fullSib,
  recurrent,
  backcross: backcrossed("best"),
  "near-isogenic": backcrossed("bestByWords"),
  "pure-line": pureLine,
  "undo-hybrid": undoHybrid,
};
