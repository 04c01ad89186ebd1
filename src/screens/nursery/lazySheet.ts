import { lazy } from "react";

// Fetched when the first plant is opened: scores are mostly typed into the bench.
export const PlantSheet = lazy(async () => ({ default: (await import("./PlantSheet")).PlantSheet }));
