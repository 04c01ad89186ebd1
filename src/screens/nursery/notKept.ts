import type { Id } from "@/core/custody/id";
import type { PlantWorth } from "@/views/worth";

/** Of plants those that are not kept yet. */
export const notKept = (plants: PlantWorth[]): Id[] =>
  plants.filter(({ mark }) => mark !== "keep" && mark !== "seed-parent").map(({ id }) => id);
