import { later } from "@/ui/later";

// Fetched when the first plant is opened: scores are mostly typed into the bench.
export const PlantSheet = later(async () => (await import("./PlantSheet")).PlantSheet);
