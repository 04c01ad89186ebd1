import { compute } from "@/core/computations";
import { METHODS } from "../methods";

type Place = { plants: number; width?: number; length?: number };
type Case = {
  what: string;
  species: string;
  from: string;
  stand: Place & { spacing: number };
  source: Place & { distance: number };
  /** What was found, share of seed: least and most. */
  found: [number, number];
  by: string;
};

const days = { start: "2027-07-01", end: "2027-07-20" };
const maizeHectare = { plants: 80_000, width: 100, length: 100 };
const rapeHectare = { plants: 400_000, width: 100, length: 100 };
const row = { plants: 10, width: 0.6, length: 5 };

const beside = (found: [number, number], distance: number, by: string): Omit<Case, "what" | "species" | "from"> => ({
  stand: { ...maizeHectare, spacing: 0.35 },
  source: { ...maizeHectare, distance },
  found,
  by,
});

/** Pollen flow as it was measured; from memory of the literature, so to an order of magnitude. */
export const PUBLISHED: Case[] = [
  ...(
    [
      [25, 0.005, 0.01],
      [50, 0.003, 0.005],
      [200, 0.0003, 0.001],
    ] as const
  ).map(([distance, low, high]) => ({
    what: `Maize, a hectare beside a hectare, ${distance} m`,
    species: "maize",
    from: "maize",
    ...beside([low, high], distance, "field trials, pooled"),
  })),
  ...(
    [
      [200, 0.012],
      [500, 0.002],
    ] as const
  ).map(([distance, share]) => ({
    what: `Maize, a field to 60 plants in a garden, ${distance} m`,
    species: "maize",
    from: "maize",
    stand: { plants: 60, width: 3, length: 2, spacing: 0.3 },
    source: { ...maizeHectare, distance },
    found: [share, share] as [number, number],
    by: "Jones & Brooks 1950",
  })),
  ...(
    [
      [50, 0.001, 0.003],
      [200, 0.0002, 0.0006],
    ] as const
  ).map(([distance, low, high]) => ({
    what: `Rape, a hectare beside a hectare, ${distance} m`,
    species: "swede",
    from: "swede",
    stand: { ...rapeHectare, spacing: 0.15 },
    source: { ...rapeHectare, distance },
    found: [low, high] as [number, number],
    by: "Damgaard & Kjellsson 2005",
  })),
  ...(
    [
      [3, 0.27, 0.27],
      [200, 0.1, 0.15],
      [400, 0.05, 0.05],
      [1000, 0.005, 0.02],
    ] as const
  ).map(([distance, low, high]) => ({
    what: `Sunflower, a crop to 50 wild plants, ${distance} m`,
    species: "sunflower",
    from: "sunflower",
    stand: { plants: 50, width: 10, length: 10, spacing: 1.4 },
    source: { plants: 50_000, width: 100, length: 100, distance },
    found: [low, high] as [number, number],
    by: "Arias & Rieseberg 1994",
  })),
  {
    what: "Squash, 100 plants to 10, 1.3 km",
    species: "pepo-squash",
    from: "pepo-squash",
    stand: { plants: 10, width: 4, length: 4, spacing: 1.2 },
    source: { plants: 100, width: 20, length: 20, distance: 1300 },
    found: [0.01, 0.05],
    by: "Kirkpatrick & Wilson 1988: up to 5 %",
  },
  ...(
    [
      ["tomato", 0.005, 0.05],
      ["common-bean", 0.005, 0.01],
      ["pepper", 0.1, 0.3],
    ] as const
  ).map(([species, low, high]) => ({
    what: `${species}, rows 1 m apart`,
    species,
    from: species,
    stand: { ...row, spacing: 0.5 },
    source: { ...row, distance: 1 },
    found: [low, high] as [number, number],
    by: "trials of neighbouring rows",
  })),
];

const METHOD = METHODS.find(({ name }) => name === "isolation-share")!;

/** What our engine says of a case. */
export function ours({ species, from, stand, source }: Case): { likely: number; low: number; high: number } {
  const told = compute(METHOD, {
    species,
    limit: 0.01,
    receptor: { ...stand, female: days, male: days, doubt: 0 },
    sources: [{ ...source, species: from, male: days, doubt: 0 }],
  });
  if (!told.ok) throw new Error(JSON.stringify(told.details));
  return told.result as ReturnType<typeof ours>;
}
