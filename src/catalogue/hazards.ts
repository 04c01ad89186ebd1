/** When a caution is of use: among the plants, at ripe fruit, at the table, with seed that is kept or given, at a meal, at a tasting. */
export type Moment = "touch" | "fruit" | "clean" | "keep" | "eat" | "taste";
export type Caution = { title: string; caution: string };

/** Cautions shown where a species or a step can hurt. They never replace local rules or licensed advice. */
export const HAZARDS: Record<string, Caution & { at: Moment[] }> = {
  cucurbit: {
    at: ["eat"],
    title: "Bitter fruit can poison",
    caution:
      "Fruit of crosses, or with wild or ornamental pollen behind it (the colocynth is a watermelon's kin), can be bitter and poisonous. Taste a crumb, spit it out; if bitter, discard the plant. Cooking does not help.",
  },
  "raw-bean": {
    at: ["keep", "taste"],
    title: "Raw beans are poisonous",
    caution: "Never eat seed raw or half cooked. Keep seed stock away from children and animals.",
  },
  favism: {
    at: ["touch", "keep", "taste"],
    title: "Broad beans can harm some people",
    caution:
      "Who has favism (a lack of the enzyme G6PD) can fall gravely ill from the beans and even from the pollen. Ask before you share beans or have helpers in flower.",
  },
  foxglove: {
    at: ["touch", "clean", "keep"],
    title: "The whole plant can kill",
    caution:
      "Leaves, flowers, seed and the water it stands in act on the heart. Before it flowers its leaves are taken for comfrey or borage: keep the tag with it. Gloves, wash hands, out of reach of children and animals.",
  },
  "hot-pepper": {
    at: ["fruit", "clean", "taste"],
    title: "Hot fruit burns",
    caution: "Gloves for cutting and seeding, nothing near the eyes, and wash tools before touching anything else.",
  },
  ferment: {
    at: ["clean"],
    title: "Jars can burst",
    caution: "Ferment under a loose lid so that gas escapes, out of reach of children, and rinse well afterwards.",
  },
  cyanide: {
    at: ["keep", "eat"],
    title: "Raw it gives off prussic acid",
    caution:
      "Seed of wild-type lima beans and young or frosted sorghum leaves are poisonous to people and animals. Boil the seed in plenty of water, uncovered; feed no young sorghum.",
  },
  ergot: {
    at: ["fruit", "clean", "eat"],
    title: "Black horns in the ears are ergot",
    caution:
      "Ergot is gravely poisonous. Cut out ears with dark horns, float them off in brine, eat no grain that holds any.",
  },
  poppy: {
    at: ["touch", "keep", "eat"],
    title: "The milk of its pods is a drug and a poison",
    caution:
      "Growing it, or sending its seed, is ruled by law in many places: ask before you sow. Never cut green pods; keep children and animals away.",
  },
  saponin: {
    at: ["clean", "eat"],
    title: "Bitter dust of saponins",
    caution:
      "Its dust burns eyes, nose and lungs: mask and eye cover, outdoors, with the wind behind you. Seed is eaten only once it is washed until nothing foams.",
  },
  spines: {
    at: ["touch", "fruit"],
    title: "Spines and hairs itch",
    caution: "Fine spines on pods and leaves break off in the skin: gloves and long sleeves, also for threshing.",
  },
  allergen: {
    at: ["clean", "keep", "taste"],
    title: "Some people are allergic to it",
    caution:
      "Even a trace can close the throat of somebody who is. Say on every packet what is in it, and clean what touched it.",
  },
  "wild-carrot": {
    at: ["touch"],
    title: "Deadly look-alikes, burning sap",
    caution:
      "Wild relatives of the carrot family include deadly ones. Identify with someone who knows. Sap burns skin in sun: gloves and sleeves.",
  },
  solanum: {
    at: ["fruit", "taste"],
    title: "Green parts and berries are poisonous",
    caution:
      "Potato berries and the green parts of nightshades are poisonous. Keep berries away from children and animals.",
  },
  "seedling-tuber": {
    at: ["eat", "taste"],
    title: "Tubers of new seedlings can be poisonous",
    caution:
      "Some seedlings hold much solanine, even in tubers that are not green. Taste a crumb of each, boiled: what is bitter or burns the throat is spat out, and that seedling is never kept.",
  },
  lathyrism: {
    at: ["keep", "eat"],
    title: "As a main food it lames",
    caution:
      "Seed of grass pea holds a nerve poison. Eaten day after day for weeks it lames people and animals for good. A little, soaked and boiled in fresh water, is usual; ask local advice, and say it on every packet.",
  },
  lupin: {
    at: ["keep", "eat", "taste"],
    title: "Bitter lupins are poisonous",
    caution:
      "Bitter seed holds alkaloids that poison. It is eaten only after days in changed water until no bitterness is left; spit out what tastes bitter. Sweet kinds turn bitter where bees bring bitter pollen.",
  },
  rhubarb: {
    at: ["eat", "taste"],
    title: "Leaves are poisonous",
    caution: "Only the stalks are eaten. Leaves hold oxalic acid: keep them from children and animals.",
  },
  "asparagus-berry": {
    at: ["fruit", "clean", "keep"],
    title: "Berries are poisonous",
    caution: "The red berries make people ill and draw children: gather them before they fall, gloves for cleaning.",
  },
  cats: {
    at: ["touch", "keep"],
    title: "Deadly to cats",
    caution: "A little leaf or pollen of daylilies can kill a cat. Keep them apart; ask a vet at once.",
  },
  "ornamental-seed": {
    at: ["clean", "keep"],
    title: "Seed is poisonous",
    caution: "Seed of many ornamentals is poisonous. Keep it labelled, closed, and away from children and animals.",
  },
  spreads: {
    at: ["keep"],
    title: "May be a listed weed",
    caution: "It seeds itself. In some places it, or its wild kin, may not be grown or shared: see the local rules.",
  },
  dust: { at: ["clean"], title: "Threshing dust", caution: "Mask and eye cover, outdoors, with the wind behind you." },
  blade: {
    at: ["clean"],
    title: "Blades cut",
    caution: "Pull the plug before you reach in. Tape over the blades bruises less seed, and fewer fingers.",
  },
  stings: {
    at: ["touch"],
    title: "Stings at dawn flowers",
    caution: "Bees sleep in open flowers. If you are allergic, do not go alone and carry what your doctor gave you.",
  },
};

/** With any of these nobody is to taste it. */
const NEVER_TASTED = ["foxglove", "ornamental-seed"];

/** Whether a species with such hazards may be tasted at all. */
export const isTasted = (hazards: string[]): boolean => !hazards.some((hazard) => NEVER_TASTED.includes(hazard));

/** The cautions of some hazards that matter at some moments; all of them where no moment is said. */
export const cautionsAt = (hazards: Iterable<string>, ...moments: Moment[]): Caution[] =>
  [...new Set(hazards)]
    .map((id) => HAZARDS[id]!)
    .filter(({ at }) => moments.length === 0 || at.some((moment) => moments.includes(moment)))
    .map(({ title, caution }) => ({ title, caution }));
