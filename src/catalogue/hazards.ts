/** Cautions shown where a species or a step can hurt. They never replace local rules or licensed advice. */
export const HAZARDS: Record<string, { title: string; caution: string }> = {
  cucurbit: {
    title: "Bitter fruit can poison",
    caution:
      "Fruit of crosses, or with wild or ornamental pollen behind it, can be bitter and poisonous. Taste a crumb, spit it out; if bitter, discard the plant. Cooking does not help.",
  },
  "raw-bean": {
    title: "Raw beans are poisonous",
    caution: "Never eat seed raw or half cooked. Keep seed stock away from children and animals.",
  },
  "hot-pepper": {
    title: "Hot fruit burns",
    caution: "Gloves for cutting and seeding, nothing near the eyes, and wash tools before touching anything else.",
  },
  ferment: {
    title: "Jars can burst",
    caution: "Ferment under a loose lid so that gas escapes, out of reach of children, and rinse well afterwards.",
  },
  "wild-carrot": {
    title: "Deadly look-alikes, burning sap",
    caution:
      "Wild relatives of the carrot family include deadly ones. Identify with someone who knows. Sap burns skin in sun: gloves and sleeves.",
  },
  solanum: {
    title: "Green parts and berries are poisonous",
    caution:
      "Potato berries and the green parts of nightshades are poisonous. Keep berries away from children and animals.",
  },
  "ornamental-seed": {
    title: "Seed is poisonous",
    caution: "Seed of many ornamentals is poisonous. Keep it labelled, closed, and away from children and animals.",
  },
  spreads: {
    title: "May be a listed weed",
    caution: "It seeds itself. In some places it, or its wild kin, may not be grown or shared: see the local rules.",
  },
  dust: { title: "Threshing dust", caution: "Mask and eye cover, outdoors, with the wind behind you." },
  blade: {
    title: "Blades cut",
    caution: "Pull the plug before you reach in. Tape over the blades bruises less seed, and fewer fingers.",
  },
  stings: {
    title: "Stings at dawn flowers",
    caution: "Bees sleep in open flowers. If you are allergic, do not go alone and carry what your doctor gave you.",
  },
};
