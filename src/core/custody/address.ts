import type { Id } from "./id";

/** What a page is about: a kind of record, and what names the record there. */
export type About = {
  kind: keyof typeof ADDRESSES;
  id?: Id;
  code?: string | null;
  season?: number | null;
  number?: number | null;
};

/** The page that each kind of record is looked at on. */
const ADDRESSES = {
  line: ({ code }) => `/lines/${code}`,
  family: ({ code }) => `/nursery/${code}`,
  stand: ({ code, season }) => `/ground?season=${season}&stand=${code}`,
  plant: ({ code, number }) => `/nursery/${code}?plant=${number}`,
  cross: ({ code }) => `/crosses/${code}`,
  flower: ({ code, number }) => `/crosses/${code}?flower=${number}`,
  lot: ({ code }) => `/seed/${code}`,
  vessel: () => "/seed",
  store: () => "/seed/drawer",
  sharing: ({ id }) => `/seed/sharing/${id}`,
  bed: () => "/ground",
  source: () => "/ground",
  barrier: () => "/ground",
  task: () => "/",
  species: ({ id }) => `/guide/${id}`,
} satisfies Record<string, (about: Omit<About, "kind">) => string>;

/**
 * Where a record is looked at.
 * @example addressOf({ kind: "plant", code: "F27-003-0", number: 4 }) // "/nursery/F27-003-0?plant=4"
 */
export const addressOf = (about: About): string => ADDRESSES[about.kind](about);

type StandAt = { code: string; season: number; family: number | boolean };

/**
 * Where a stand is looked at: a family in the nursery, any other on the ground of its season.
 * @example addressOfStand({ code: "S27-001-A", season: 2027, family: false }) // "/ground?season=2027&stand=S27-001-A"
 */
export const addressOfStand = ({ code, season, family }: StandAt): string =>
  addressOf({ kind: family ? "family" : "stand", code, season });
