import type { Id } from "@/core/custody/id";
import { isKept } from "@/core/selection/marks";
import type { PlantWorth } from "@/views/worth";

/** Of plants those that are not kept yet. */
export const notKept = (plants: PlantWorth[]): Id[] => plants.filter(({ mark }) => !isKept(mark)).map(({ id }) => id);
