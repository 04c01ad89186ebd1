/**
 * Where a stand is looked at: a family in the nursery, any other on the ground of its season.
 * @example addressOfStand({ code: "S27-001-A", season: 2027, family: false }) // "/ground?season=2027&stand=S27-001-A"
 */
export const addressOfStand = ({
  code,
  season,
  family,
}: {
  code: string;
  season: number;
  family: number | boolean;
}): string => (family ? `/nursery/${code}` : `/ground?season=${season}&stand=${code}`);
