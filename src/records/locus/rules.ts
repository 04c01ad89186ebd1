import { classesOf, wayOf } from "@/core/inheritance/ways";
import { isMeasured } from "@/core/traits/kinds";
import { refuse } from "@/db/ops";
import type { Rule } from "../facts";
import { yardstickById } from "../yardstick/queries";
import { wordsOf } from "../yardstick/rules";
import type { Locus } from "./locus";

export const locusRule: Rule<Locus> = ({ db }, next) => {
  const mark = yardstickById(db, next.yardstickId);
  if (!mark) return;
  if (isMeasured(mark)) refuse("yardstickId", "Only words, and yes or no, are inherited class by class.");
  const words = JSON.parse(next.words) as string[];
  const classes = classesOf(wayOf(next.way));
  if (words.length !== classes) refuse("words", `${classes} classes are to be told apart: say the word of each.`);
  if (new Set(words).size !== words.length) refuse("words", "Each class shows a word of its own.");
  const known = wordsOf(mark);
  const strange = words.find((word) => !known.includes(word));
  if (strange !== undefined) refuse("words", `“${strange}” is no word of ${mark.name}.`);
};
