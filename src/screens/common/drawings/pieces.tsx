import type { FunctionComponent } from "react";
import type { Stage } from "@/core/pollination/protocol";
import { later } from "@/ui/later";
import type { Drawing } from "./parts";

/** Drawings by the file that they stand in, which is fetched with the first of them. */
export const FILES = {
  cups: ["nightshade-bud", "cabbage-bud", "tube-bud", "open-bud", "stigma", "bag-bud", "selfing-open"],
  fruits: ["fruit-set", "pod-set", "plant-sex", "plant-shed", "plant-seed"],
  gourds: ["cucurbit-evening", "cucurbit-dawn", "melon-bud"],
  grasses: ["ear", "silk", "ear-filled", "tassel"],
  heads: ["daisy-head", "umbel", "umbel-open", "umbel-seed"],
  legumes: ["legume-bud"],
};

type Drawn = FunctionComponent<{ drawing: string; stage: Stage }>;
const drawnBy =
  (all: Record<string, Drawing>): Drawn =>
  ({ drawing, stage }) =>
    all[drawing]?.[stage]();

const PIECES = {
  cups: later(async () => drawnBy((await import("./cups")).CUPS)),
  fruits: later(async () => drawnBy((await import("./fruits")).FRUITS)),
  gourds: later(async () => drawnBy((await import("./gourds")).GOURDS)),
  grasses: later(async () => drawnBy((await import("./grasses")).GRASSES)),
  heads: later(async () => drawnBy((await import("./heads")).HEADS)),
  legumes: later(async () => drawnBy((await import("./legumes")).LEGUMES)),
};

const FILE_OF = new Map(
  (Object.keys(FILES) as (keyof typeof FILES)[]).flatMap((file) => FILES[file].map((name) => [name, file] as const)),
);

/** What draws a drawing; null for one that there is not. */
export function pieceOf(drawing: string) {
  const file = FILE_OF.get(drawing);
  return file ? PIECES[file] : null;
}
