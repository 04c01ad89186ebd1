import type { Species } from "../types";

export const pepoSquash: Species = {
  id: "pepo-squash",
  name: "Pepo squash",
  binomial: "Cucurbita pepo",
  family: "Cucurbitaceae",
  crossingGroup: "Cucurbita pepo",
  crossesWith:
    "Courgettes, marrows, acorn and scallop squash, many pumpkins, ornamental gourds and wild gourds of the species, freely. Other squash species rarely.",
  lifeCycle: "annual",
  breeding: "outcrossing",
  outcrossing: { low: 0.6, high: 0.95, source: "guidance" },
  flowerType: "large separate-sex flowers",
  vector: "insects",
  isolation: {
    relaxed: { low: 200, high: 400, source: "practice" },
    usual: { low: 800, high: 1000, source: "guidance" },
    strict: { low: 1000, high: 1600, source: "standard" },
  },
  plants: {
    "keep going": { low: 5, high: 6, source: "practice" },
    "keep well": { low: 12, high: 20, source: "guidance" },
    "rare variety": { low: 25, high: 50, source: "guidance" },
  },
  daysToFlower: { low: 45, high: 65, source: "guidance" },
  flowerDays: { low: 40, high: 70, source: "practice" },
  daysToRipe: { low: 55, high: 75, source: "guidance" },
  seedsPerGram: { low: 5, high: 9, source: "guidance" },
  seedsPerFruit: { low: 100, high: 350, source: "guidance" },
  handSet: { low: 0.4, high: 0.7, source: "working" },
  shelfYears: { low: 4, high: 6, source: "guidance" },
  ripeSign: "Skin no longer dented by a fingernail; then three weeks or more indoors.",
  extraction: "wet, rinse",
  hazards: ["cucurbit"],
  protocol: "large-separate-sex",
};
