import { mean, sampleStandardDeviation } from "simple-statistics";
import type { Id } from "../custody/id";
import { counted } from "../lists/counted";

/** A plant with what it showed: figures, and words as they are. */
export type ShownMarks = { id: Id; figures: Record<Id, number>; words: Record<Id, string> };

/**
 * The plant that is most like all: least far from the means, in what plants differ by, and of the words that most show.
 * @param plants of one season, one at least
 * @returns null where nothing was seen of any
 * @example typicalOf([{ id: "a", figures: { m: 1 }, words: {} }, { id: "b", figures: { m: 2 }, words: {} }, { id: "c", figures: { m: 9 }, words: {} }]) // "b"
 */
export function typicalOf(plants: ShownMarks[]): Id | null {
  const marks = [...new Set(plants.flatMap(({ figures }) => Object.keys(figures)))];
  const words = [...new Set(plants.flatMap((plant) => Object.keys(plant.words)))];
  const spread = new Map(
    marks.map((mark) => {
      const values = plants.flatMap(({ figures }) => figures[mark] ?? []);
      return [mark, { middle: mean(values), by: values.length > 1 ? sampleStandardDeviation(values) : 0 }];
    }),
  );
  const usual = new Map(
    words.map((mark) => [mark, counted(plants.flatMap((plant) => plant.words[mark] ?? []))[0]!.word]),
  );
  const seen = (plant: ShownMarks) => Object.keys(plant.figures).length + Object.keys(plant.words).length;
  const most = Math.max(0, ...plants.map(seen));
  // One that was hardly looked at is not typical for that.
  const well = plants.filter((plant) => most > 0 && seen(plant) >= most / 2);
  const far = ({ figures, words: said }: ShownMarks) => {
    const off = Object.entries(figures).map(([mark, value]) => {
      const { middle, by } = spread.get(mark)!;
      return by > 0 ? ((value - middle) / by) ** 2 : 0;
    });
    const strange = Object.entries(said).map(([mark, word]) => (word === usual.get(mark) ? 0 : 9));
    return mean([...off, ...strange]);
  };
  return (
    well.reduce<{ id: Id; far: number } | null>((best, plant) => {
      const own = far(plant);
      return best && best.far <= own ? best : { id: plant.id, far: own };
    }, null)?.id ?? null
  );
}
