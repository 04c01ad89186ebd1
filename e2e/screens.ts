/** Every screen that needs no record to be opened. */
export const SCREENS = [
  "/",
  "/ground",
  "/season",
  "/round",
  "/crosses",
  "/crosses/plan",
  "/crosses/book",
  "/crosses/works",
  "/nursery",
  "/seed",
  "/lines",
  "/guide",
  "/guide/melon",
  "/guide/practice",
  "/shed",
  "/shed/history",
];
