import type { KeptPlant } from "@/records/plant/queries";

/** What became of the seed of the plants that were kept: how many gave some, and the numbers of those whose seed is not there. */
export type KeptSeed = {
  code: string;
  plants: number;
  seed: number;
  /** Seed of several was gathered or put together. */
  together: boolean;
  /** None of its own yet: whether their planting still stands. */
  none: number[];
  standing: boolean;
  /** Used up, given away or lost. */
  gone: number[];
};

const numberOfPlant = (lots: KeptPlant[]) => lots[0]!.number;

/** Kept plants of the season before, by line: what became of the seed of each. */
export function keptOf(rows: KeptPlant[]): KeptSeed {
  const plants = new Map<string, KeptPlant[]>();
  for (const row of rows) {
    const key = `${row.code} ${row.number}`;
    plants.set(key, [...(plants.get(key) ?? []), row]);
  }
  const each = [...plants.values()];
  const lives = (lots: KeptPlant[]) => lots.some(({ lotId, ended }) => lotId !== null && ended === 0);
  const without = each.filter((lots) => !lives(lots) && lots.every(({ together }) => together === 0));
  return {
    code: rows[0]!.code,
    plants: each.length,
    seed: each.filter(lives).length,
    together: each.some((lots) => !lives(lots) && lots.some(({ together }) => together === 1)),
    none: without.filter((lots) => lots.every(({ lotId }) => lotId === null)).map(numberOfPlant),
    gone: without.filter((lots) => lots.some(({ lotId }) => lotId !== null)).map(numberOfPlant),
    standing: rows.some(({ standing }) => standing === 1),
  };
}
