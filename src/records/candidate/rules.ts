import { refuse } from "@/db/ops";
import { prepared } from "@/db/rows";
import type { Rule } from "../facts";
import type { CandidateKept } from "./candidate";

/** Shares are kept as parts of a whole; more than this over it is not rounding, but two sayings side by side. */
const OVER = 0.001;

export const candidateRule: Rule<CandidateKept> = ({ db }, next) => {
  const [owner, id] = next.crossId
    ? ["crossId", next.crossId]
    : next.flowerId
      ? ["flowerId", next.flowerId]
      : ["lotId", next.lotId];
  const sum = prepared(db, `SELECT total(share) FROM candidate WHERE ${owner} = ? AND role = ?`)
    .pluck()
    .get(id, next.role);
  if ((sum as number) > 1 + OVER)
    refuse(
      "share",
      `The shares of its possible ${next.role}s make ${Math.round((sum as number) * 100)} %; say them anew.`,
    );
};
