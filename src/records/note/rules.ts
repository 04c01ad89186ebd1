import { refuse } from "@/db/ops";
import { notAhead, type Rule, touched } from "../facts";
import { NOTED, type Note } from "./note";

export const noteRule: Rule<Note> = (facts, next, before) => {
  if (NOTED.filter((of) => next[of] !== null).length !== 1) refuse("words", "A note is of one thing.");
  if (touched(next, before, "on")) notAhead(facts, next.on);
};
