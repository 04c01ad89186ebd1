/** Where a stand is looked at: a family in the nursery, any other on the ground of its season. */
export const addressOfStand = ({
  code,
  season,
  family,
}: {
  code: string;
  season: number;
  family: number | boolean;
}): string => (family ? `/nursery/${code}` : `/ground?season=${season}&stand=${code}`);
