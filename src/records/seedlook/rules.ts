import { speciesById } from "@/catalogue/catalogue";
import { refuse } from "@/db/ops";
import type { Rule } from "../facts";
import { yardsticks } from "../line/queries";
import { lotById } from "../lot/queries";
import { wordsOf } from "../yardstick/rules";
import { seedlooksOf } from "./queries";
import type { Seedlook } from "./seedlook";

export const seedlookRule: Rule<Seedlook> = ({ db }, { id, lotId, yardstickId, word, seeds }) => {
  const lot = lotById(db, lotId);
  if (!lot) return;
  const { name, seedShows } = speciesById(lot.species);
  if (!seedShows)
    refuse("lotId", `Seed of ${name.toLowerCase()} shows nothing of its own: look at what grows from it.`);
  const mark = yardsticks(db, lot.lineId).find((one) => one.id === yardstickId);
  if (!mark) return refuse("yardstickId", `That is no yardstick of ${lot.lineName}.`);
  if (!wordsOf(mark).includes(word)) refuse("counts", `“${word}” is no word of ${mark.name}.`);
  const others = seedlooksOf(db, lotId).filter((one) => one.yardstickId === yardstickId && one.id !== id);
  const all = others.reduce((sum, one) => sum + one.seeds, seeds);
  if (lot.seeds !== null && all > lot.seeds)
    refuse("counts", `That makes ${all} seeds; lot ${lot.code} has ${lot.seeds}.`);
};
