import type { Grower } from "./season";

export type Beds = Record<string, number>;

/** The half-acre, the far bed, and what grows beyond the fence. Name, east, north, width, length in metres. */
const BEDS: [string, number, number, number, number, number][] = [
  ["A", 2, 24, 9, 4, 0],
  ["B", 2, 15, 9, 4, 0],
  ["C", 15, 14, 12, 5, 0],
  ["D", 15, 26, 12, 4, 0],
  ["E", 32, 8, 7, 4, 0],
  ["F", 32, 17, 8, 4, 0],
  ["H", 15, 4, 12, 4, 0],
  ["J", 2, 5, 9, 4, 0],
  ["M", 32, 26, 8, 4, 0],
  ["far bed", -58, 40, 12, 5, 0],
  ["neighbour's row", 168, 30, 8, 2, 1],
  ["the lane", 22, -58, 30, 3, 1],
];

/** The garden as it was set up, on the first day of the record. */
export function setUpGround(grower: Grower): Beds {
  grower.record("garden.set", {
    name: "Tarnholt",
    latitude: 48.6,
    longitude: 9.3,
    timezone: "Europe/Zurich",
    lastFrost: "05-20",
    firstFrost: "09-28",
    units: "metric",
    care: "usual",
    demo: 1,
    version: 0,
  });
  grower.on("2021-01-10");
  return Object.fromEntries(
    BEDS.map(([name, x, y, width, length, outside]) => [
      name,
      grower.record("bed.add", { name, x, y, width, length, outside }).id,
    ]),
  );
}
