import type { Id } from "@/core/custody/id";
import { classesOfF2 } from "@/core/inheritance/ratios";
import { yardsticks } from "@/records/line/queries";
import { lociOfLine } from "@/records/locus/queries";
import type { Yardstick } from "@/records/yardstick/yardstick";
import type { Outlook } from "./outlook";

/** What a line wants of single genes: which share of an F2 shows all of it, and whether any of it shows with two copies only. */
export type Wanted = { share: number | null; recessive: boolean };

const wantedWord = ({ wanted, targetWord }: Yardstick): string | null =>
  targetWord ?? (wanted === "yes" || wanted === "no" ? wanted : null);

/** Of a line's traits that are known to be of one gene, the share of an F2 that shows every wanted word; they are taken as not linked. */
export const wantedShare = (sky: Outlook, lineId: Id): Wanted =>
  sky.once(`wanted ${lineId}`, () => {
    const { db } = sky;
    const loci = lociOfLine(db, lineId);
    const classes = yardsticks(db, lineId).flatMap((mark) => {
      const locus = loci.get(mark.id);
      const word = wantedWord(mark);
      if (!locus || word === null || mark.retiredOn !== null) return [];
      const at = (JSON.parse(locus.words) as string[]).indexOf(word);
      if (at < 0) return [];
      return [classesOfF2(locus.way)[at]!];
    });
    return {
      share: classes.length > 0 ? classes.reduce((product, { share }) => product * share, 1) : null,
      recessive: classes.some(({ inF1 }) => !inF1),
    };
  });
