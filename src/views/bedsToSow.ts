import { speciesById } from "@/catalogue/catalogue";
import type { Id } from "@/core/custody/id";
import { middle } from "@/core/flowering/facts";
import { tooSoon } from "@/core/ground/rotation";
import { middleOf } from "@/core/ground/shape";
import type { Guard } from "@/core/plans/linePlan";
import { type Flowers, type FreeBed, type Near, nearest, placeAll, type WantsGround } from "@/core/plans/placing";
import type { Units } from "@/core/units/units";
import { beds } from "@/records/bed/queries";
import { sources } from "@/records/ground/queries";
import type { Line } from "@/records/line/line";
import { standByCode } from "@/records/stand/queries";
import { stoodInBeds } from "@/records/stand/rotation";
import type { Stand } from "@/records/stand/stand";
import { type ForecastStand, firstYearOf, type Outlook } from "./outlook";

/**
 * A bed with how many plants of the line still fit in that season, what stood there too lately, and what it would cross with nearby.
 */
export type BedToSow = {
  id: Id;
  name: string;
  fits: number;
  tooSoon: { name: string; season: number } | null;
  near: Near | null;
};

const takenBy = ({ plants, wanted }: Pick<Stand, "plants" | "wanted">) => plants ?? wanted ?? 0;

/** Square metres that a planting takes. */
const areaOf = ({ spacing, species, ...stand }: ForecastStand): number =>
  takenBy(stand) * (spacing ?? middle(speciesById(species).plantSpacing)) ** 2;

/** The ground of a season: what is free of each bed, what stood there before, and what flowers where. */
export type GroundOfSeason = {
  beds: (FreeBed & { name: string })[];
  flowers: Flowers[];
  stood: ReturnType<typeof stoodInBeds>;
};

/** @param but a planting that takes no room, as it is the one that a bed is looked for */
export const groundOfSeason = (sky: Outlook, season: number, but: Id | null = null): GroundOfSeason =>
  sky.once(`ground of ${season} ${but}`, () => {
    const there = [...sky.standsOf(season), ...firstYearOf(sky, season)].filter(
      ({ id, endedOn }) => endedOn === null && id !== but,
    );
    const free = beds(sky.db)
      .filter(({ outside }) => !outside)
      .map(({ id, name, x, y, width, length }) => {
        const taken = there.reduce((sum, one) => sum + (one.bedId === id ? areaOf(one) : 0), 0);
        return {
          id,
          name,
          at: { x: x + width / 2, y: y + length / 2 },
          free: Math.max(0, width * length - taken),
        };
      });
    const at = new Map(free.map((bed) => [bed.id, bed.at]));
    return {
      beds: free,
      stood: stoodInBeds(sky.db, but),
      flowers: [
        ...sky.standsOf(season).flatMap(({ id, bedId, lineId, lineName, species, endedOn, flowers }) => {
          const where = bedId === null ? undefined : at.get(bedId);
          if (!where || id === but || endedOn !== null || flowers === "removed") return [];
          return [{ lineId, name: lineName, group: speciesById(species).crossingGroup, at: where }];
        }),
        ...sources(sky.db)
          .filter(({ agreedSeason }) => agreedSeason !== season)
          .map(({ id, name, species, outline }) => ({
            lineId: id,
            name,
            group: speciesById(species).crossingGroup,
            at: middleOf(outline),
          })),
      ],
    };
  });

/** What of a line is to be placed: how many plants, and how its flowers are kept. */
export type ToPlace = Pick<Line, "id" | "name" | "species"> & { plants: number; guard: Guard | null };

/** A sowing as it wants ground in a season: its family's rest, and its distance where it is kept by standing apart. */
export function wantsGround(
  { garden }: Outlook,
  { stood, beds: all }: GroundOfSeason,
  { id, name, species, plants, guard }: ToPlace,
  season: number,
): WantsGround {
  const { plantSpacing, family, rotation, crossingGroup, isolation } = speciesById(species);
  const tired = all.filter((bed) => tooSoon(stood, { bedId: bed.id, family, season }, rotation.low));
  return {
    lineId: id,
    name,
    plants,
    each: middle(plantSpacing) ** 2,
    tired: new Set(tired.map((bed) => bed.id)),
    group: crossingGroup,
    apart: guard === "apart" ? isolation[garden.care].low : 0,
  };
}

/** The garden's beds as a sowing of that season may take them, and the one that is proposed. */
export function bedsToSow(
  sky: Outlook,
  what: ToPlace,
  season: number,
  but: Id | null = null,
): { beds: BedToSow[]; bedId: Id | null } {
  const { family, rotation } = speciesById(what.species);
  const ground = groundOfSeason(sky, season, but);
  const want = wantsGround(sky, ground, what, season);
  const [placed] = placeAll([want], ground.beds, ground.flowers);
  return {
    bedId: placed!.bedId,
    beds: ground.beds.map(({ id, name, at, free }) => {
      const before = tooSoon(ground.stood, { bedId: id, family, season }, rotation.low);
      return {
        id,
        name,
        fits: Math.floor(free / want.each + 1e-9),
        tooSoon: before && { name: before.name, season: before.season },
        near: nearest(want, at, ground.flowers),
      };
    }),
  };
}

export type BedsForStand = { beds: BedToSow[]; bedId: Id | null; units: Units };

/** Where a planting may be planted out: the beds, and the one that is its own or is proposed. */
export function bedsForStand(sky: Outlook, code: string): BedsForStand | null {
  const stand = standByCode(sky.db, code);
  if (!stand) return null;
  const { id, lineId, lineName, species, season, seedWanted, flowers } = stand;
  const guard = seedWanted === 1 && flowers === "open" ? "apart" : null;
  const what = { id: lineId, name: lineName, species, plants: takenBy(stand), guard } as const;
  const where = bedsToSow(sky, what, season, id);
  return { beds: where.beds, bedId: stand.bedId ?? where.bedId, units: sky.garden.units };
}
