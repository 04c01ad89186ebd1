/** Every screen that needs no record to be opened. */
export const SCREENS = [
  "/",
  "/ground",
  "/season",
  "/crosses",
  "/nursery",
  "/seed",
  "/lines",
  "/guide",
  "/guide/melon",
  "/shed",
  "/shed/history",
];
