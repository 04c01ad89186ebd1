import type { Drawn, Often, StageOfLife } from "@/core/traits/trait";
import type { Species } from "./types";

/** A yardstick to begin with. What is wanted of it is the grower's to change. */
export type UsualYardstick = {
  name: string;
  kind: "number" | "count" | "scale" | "category" | "yes-no" | "date";
  unit?: string;
  lowEnd?: string;
  highEnd?: string;
  categories?: string[];
  wanted: "high" | "low" | "none" | "yes" | "no";
  stage: StageOfLife;
  often?: Often;
  drawn?: Drawn;
};

const scale = (
  name: string,
  lowEnd: string,
  highEnd: string,
  stage: StageOfLife,
  more: Partial<UsualYardstick> = {},
): UsualYardstick => ({ name, kind: "scale", lowEnd, highEnd, wanted: "high", stage, ...more });
const day = (name: string, stage: StageOfLife, wanted: "high" | "low" | "none" = "low"): UsualYardstick => ({
  name,
  kind: "date",
  wanted,
  stage,
});
const measure = (
  name: string,
  unit: string,
  stage: StageOfLife,
  more: Partial<UsualYardstick> = {},
): UsualYardstick => ({
  name,
  kind: "number",
  unit,
  wanted: "high",
  stage,
  ...more,
});

const UP = day("Came up", "seedling");
const VIGOUR = scale("Vigour", "weak, may die", "strongest of all", "seedling", { drawn: "size" });
const HEALTH = scale("Health", "dying of disease", "no sign of disease", "leaf", { drawn: "damage", often: "again" });
const FIRST_FLOWER = day("First flower", "flower", "none");
const FIRST_RIPE = day("First ripe fruit", "fruit");
const FRUITS: UsualYardstick = { name: "Fruits", kind: "count", wanted: "high", stage: "fruit", often: "pass" };
const YIELD = measure("Yield", "kg", "fruit", { often: "pass" });
const FRUIT_MASS = measure("Fruit mass", "g", "fruit", { wanted: "none", often: "again" });
const TASTE = scale("Taste", "worst of all", "best of all", "harvest");
const PLANT_HEIGHT = measure("Height", "cm", "flower", { wanted: "none" });
const STANDS = scale("Stands upright", "lies on the ground", "upright in a storm", "flower", { drawn: "spread" });
const EARLY_BOLT: UsualYardstick = { name: "Bolted", kind: "yes-no", wanted: "no", stage: "leaf" };
const KEEPS = scale("Keeps", "rotten by New Year", "sound in spring", "store");
const SEED_YIELD = measure("Seed", "g", "harvest", { often: "pass" });

const FRUITING = [VIGOUR, HEALTH, FIRST_FLOWER, FIRST_RIPE, FRUITS, YIELD, FRUIT_MASS, TASTE];
const ROOTS = [
  VIGOUR,
  HEALTH,
  EARLY_BOLT,
  measure("Root mass", "g", "harvest"),
  scale("Root shape", "forked, crooked", "as it should be", "harvest"),
  TASTE,
  KEEPS,
];
const LEAVES = [
  VIGOUR,
  HEALTH,
  scale("Leaf mass", "a few leaves", "fullest of all", "leaf", { drawn: "size" }),
  EARLY_BOLT,
  TASTE,
];
const SHOWY = [
  VIGOUR,
  HEALTH,
  FIRST_FLOWER,
  PLANT_HEIGHT,
  scale("Flower size", "smallest", "largest", "flower", { drawn: "size" }),
  scale("Depth of colour", "pale", "deep", "flower", { drawn: "depth" }),
  STANDS,
];

const OF_FAMILY: Record<string, UsualYardstick[]> = {
  Cucurbitaceae: [
    VIGOUR,
    scale("Compact vine", "over 3 m, sprawling", "under 1 m", "leaf", { drawn: "length", wanted: "none" }),
    HEALTH,
    day("First female flower", "flower"),
    FIRST_RIPE,
    FRUITS,
    FRUIT_MASS,
    { name: "Bitter", kind: "yes-no", wanted: "no", stage: "harvest" },
    TASTE,
    KEEPS,
  ],
  Solanaceae: FRUITING,
  Fabaceae: [
    UP,
    VIGOUR,
    HEALTH,
    FIRST_FLOWER,
    measure("Pod length", "cm", "fruit", { wanted: "none", often: "again" }),
    { name: "Stringless pod", kind: "yes-no", wanted: "yes", stage: "fruit" },
    SEED_YIELD,
    TASTE,
  ],
  Poaceae: [UP, VIGOUR, HEALTH, day("First ear", "flower"), PLANT_HEIGHT, STANDS, SEED_YIELD],
  Amaryllidaceae: [
    VIGOUR,
    HEALTH,
    EARLY_BOLT,
    measure("Bulb or shaft mass", "g", "harvest"),
    { name: "Split", kind: "yes-no", wanted: "no", stage: "harvest" },
    scale("Came through the winter", "dead", "untouched", "leaf"),
    KEEPS,
  ],
  Apiaceae: ROOTS,
  Brassicaceae: LEAVES,
  Amaranthaceae: LEAVES,
  Asteraceae: SHOWY,
};
const OF_SPECIES: Record<string, UsualYardstick[]> = {
  beet: ROOTS,
  swede: ROOTS,
  turnip: ROOTS,
  radish: ROOTS,
  chicory: LEAVES,
  lettuce: LEAVES,
  endive: LEAVES,
  "corn-salad": LEAVES,
  basil: LEAVES,
  coriander: LEAVES,
  dill: LEAVES,
  celery: LEAVES,
  parsley: LEAVES,
  "sweet-pea": SHOWY,
  strawberry: FRUITING,
  okra: FRUITING,
};

/**
 * Yardsticks that many growers of a species would begin with, in the order of a plant's life. Working choice: what people
 * who select it say they look at (earliness, health, yield, shape, taste, keeping).
 */
export const usualYardsticks = ({ id, family }: Pick<Species, "id" | "family">): UsualYardstick[] =>
  OF_SPECIES[id] ?? OF_FAMILY[family] ?? SHOWY;
