import { refuse } from "@/db/ops";
import { type Rule, touched } from "../facts";
import { hasYardstick } from "./queries";
import type { Yardstick } from "./yardstick";

const WANTED: Record<Yardstick["kind"], Yardstick["wanted"][]> = {
  number: ["high", "low", "target"],
  scale: ["high", "low", "target"],
  date: ["high", "low", "target"],
  category: ["category"],
  "yes-no": ["yes", "no"],
};

export const yardstickRule: Rule<Yardstick> = ({ db }, next, before) => {
  const { kind, wanted, lowEnd, highEnd } = next;
  if (!WANTED[kind].includes(wanted)) refuse("wanted", `For this kind, wanted is one of: ${WANTED[kind].join(", ")}.`);
  if (wanted === "target" && next.target === null) refuse("target", "Say the target's value.");
  if (kind === "scale" && !(lowEnd && highEnd))
    refuse(lowEnd ? "highEnd" : "lowEnd", "Describe both ends of the scale, so that 1 and 9 mean the same next year.");
  const words = JSON.parse(next.categories) as string[];
  if (kind === "category" && words.length < 2) refuse("categories", "Give at least two words, with commas between.");
  if (kind === "category" && !words.includes(next.targetWord ?? ""))
    refuse("targetWord", "The wanted word must be one of the words.");
  // Scores of one plant on two yardsticks of one name can't be told apart on any screen.
  if (touched(next, before, "name") && hasYardstick(db, next.lineId, next.name, next.id))
    refuse("name", "This line has a yardstick of that name already.");
};
