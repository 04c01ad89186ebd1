/** A place of the north, with its frosts. */
export const NORTH = {
  latitude: 48.6,
  longitude: 9.3,
  timezone: "Europe/Zurich",
  lastFrost: "05-14",
  firstFrost: "10-06",
};
/** A place of the south, with its frosts. */
export const SOUTH = {
  latitude: -43.5,
  longitude: 172.6,
  timezone: "Pacific/Auckland",
  lastFrost: "10-20",
  firstFrost: "04-28",
};
export type Place = typeof NORTH;

type Crop = [species: string, before: number, overwinter?: "lifted" | "left"];

/** A crop of each way to grow one, with the days from its sowing to the last frost. */
export const CROPS: Crop[] = [
  ["tomato", 55],
  ["melon", 25],
  ["maize", 4],
  ["pea", 60],
  ["lettuce", 40],
  ["spinach", 60],
  ["leek", 47, "lifted"],
  ["beet", 20, "lifted"],
  ["cabbage", 30, "left"],
];
