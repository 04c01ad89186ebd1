import type { Id } from "@/core/custody/id";
import { DEMO_DAY } from "./day";
import type { Grower } from "./season";

export type Beds = Record<string, Id>;

/** The half-acre, the far bed, and what grows beyond the fence. Name, east, north, width, length in metres. */
const BEDS: [string, number, number, number, number][] = [
  ["A", 2, 24, 9, 4],
  ["B", 2, 15, 9, 4],
  ["C", 15, 14, 12, 5],
  ["D", 15, 26, 12, 4],
  ["E", 32, 8, 7, 4],
  ["F", 32, 17, 8, 4],
  ["H", 15, 4, 12, 4],
  ["J", 2, 5, 9, 4],
  ["M", 32, 26, 8, 4],
  ["far bed", -58, 40, 12, 5],
];

/** Mean lowest and highest of each month: a valley that gathers cold air, with late frosts. */
const LOWEST = [-4.5, -4, -1.5, 1.4, 5, 8.8, 10.8, 10.4, 6.6, 3, -0.6, -3.2];
const HIGHEST = [2.5, 4.5, 9.5, 14, 18.5, 22, 24.2, 23.8, 19.2, 13.5, 7, 3.5];
const NORMALS = Object.fromEntries(
  LOWEST.flatMap((low, i) => [
    [`min${i + 1}`, low],
    [`max${i + 1}`, HIGHEST[i]!],
  ]),
);

const at = ([x, y]: number[]) => ({ x: x!, y: y! });
const box = (x: number, y: number, width: number, length: number) =>
  [
    [x, y],
    [x + width, y],
    [x + width, y + length],
    [x, y + length],
  ].map(at);

/** What stands between, and what grows beyond the fence. */
function setUpSurroundings(grower: Grower): void {
  const barrier = (name: string, kind: string, path: number[][]) =>
    grower.record("barrier.add", { name, kind, path: path.map(at) });
  barrier("hornbeam hedge", "hedge", [
    [-4, -3],
    [46, -3],
  ]);
  barrier("tool shed", "building", [
    [42, 8],
    [46, 8],
    [46, 13],
    [42, 13],
    [42, 8],
  ]);
  grower.record("source.add", {
    name: "the neighbour's scarlet beans",
    kind: "neighbour",
    species: "runner-bean",
    plants: 60,
    presence: 0.95,
    outline: box(168, 30, 8, 2),
  });
  grower.record("source.add", {
    name: "lane orach",
    kind: "wild",
    species: "orach",
    plants: 150,
    presence: 1,
    outline: box(22, -58, 30, 3),
  });
  grower.record("source.add", {
    name: "leeks of the mill allotments",
    kind: "neighbour",
    species: "leek",
    plants: 40,
    presence: 0.6,
    distance: 230,
    bearing: 205,
    across: 12,
  });
}

/** The garden as it was set up, on the first day of the record. */
export function setUpGround(grower: Grower): Beds {
  grower.record("garden.begin", {
    name: "Tarnholt",
    latitude: 48.6,
    longitude: 9.3,
    timezone: "Europe/Zurich",
    lastFrost: "05-20",
    firstFrost: "09-28",
    units: "metric",
    care: "usual",
    demo: 1,
    windFrom: 250,
    station: "simulated",
    asOf: DEMO_DAY,
  });
  grower.record("climate.normals", NORMALS);
  grower.on("2021-01-10");
  setUpSurroundings(grower);
  return Object.fromEntries(
    BEDS.map(([name, x, y, width, length]) => [
      name,
      grower.record("bed.add", { name, x, y, width, length, turn: name === "far bed" ? 24 : 0 }).id,
    ]),
  );
}
