import type { Species } from "../types";

export const melon: Species = {
  id: "melon",
  name: "Melon",
  binomial: "Cucumis melo",
  family: "Cucurbitaceae",
  crossingGroup: "Cucumis melo",
  crossesWith: "All melons, snake melons and weedy melons of the species, freely. Not cucumber, not watermelon.",
  lifeCycle: "annual",
  breeding: "outcrossing",
  outcrossing: { low: 0.3, high: 0.8, source: "guidance" },
  flowerType: "large separate-sex flowers",
  vector: "insects",
  isolation: {
    relaxed: { low: 200, high: 200, source: "practice" },
    usual: { low: 400, high: 800, source: "guidance" },
    strict: { low: 800, high: 1600, source: "standard" },
  },
  plants: {
    "keep going": { low: 5, high: 6, source: "practice" },
    "keep well": { low: 12, high: 20, source: "guidance" },
    "rare variety": { low: 25, high: 50, source: "guidance" },
  },
  daysToFlower: { low: 55, high: 75, source: "practice" },
  flowerDays: { low: 35, high: 55, source: "practice" },
  daysToRipe: { low: 40, high: 60, source: "guidance" },
  seedsPerGram: { low: 25, high: 40, source: "guidance" },
  seedsPerFruit: { low: 200, high: 500, source: "guidance" },
  handSet: { low: 0.25, high: 0.55, source: "working" },
  shelfYears: { low: 5, high: 8, source: "guidance" },
  ripeSign:
    "Fruit slips from its stalk or smells ripe and the tendril beside it is dry; then a week or two more indoors.",
  extraction: "wet, ferment",
  hazards: ["cucurbit"],
  protocol: "large-separate-sex",
};
