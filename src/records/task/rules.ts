import { notAhead, type Rule } from "../facts";
import type { Task } from "./task";

export const taskRule: Rule<Task> = (facts, { doneOn }) => notAhead(facts, doneOn);
