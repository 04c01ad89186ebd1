import { later } from "@/ui/later";

// What is recorded of flowers and males, fetched when it is opened.
export const RecordStep = later(async () => (await import("./RecordStep")).RecordStep);
export const AtFather = later(async () => (await import("./AtFather")).AtFather);
