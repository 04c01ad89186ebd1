import Joi from "joi";
import type { Id } from "@/core/custody/id";
import { refuse } from "@/db/ops";
import { type Context, command } from "../command";
import { cross } from "../cross/cross";
import { flower } from "../flower/flower";
import { lot } from "../lot/lot";
import { plantById } from "../plant/queries";
import { choice, given, ref, seen } from "../record";
import { idOf } from "../schema";
import { standById } from "../stand/queries";
import { candidate } from "./candidate";
import { type Candidate, candidatesOf, type Owner, type Role } from "./queries";

export type Share = Omit<Candidate, "role">;

const SHARES = Joi.array()
  .items(
    Joi.object({
      standId: idOf().allow(null).default(null).label("Stand"),
      plantId: idOf().allow(null).default(null).label("Plant"),
      share: Joi.number().greater(0).max(1).required().label("Share"),
    }),
  )
  .max(50);

export const candidateList = (label: string) => given<Share[]>(label, SHARES);

/** Shares as people write them (a third as 0.33) make a whole nearly; they are kept as parts of the whole. */
const NEARLY = 0.025;

/** Writes candidates in place of those before, their shares as parts of a whole. */
export function writeCandidates(context: Context, owner: Owner, ownerId: Id, role: Role, shares: Share[]): void {
  const { db, write } = context;
  const sum = shares.reduce((total, { share }) => total + share, 0);
  if (shares.length > 0 && Math.abs(sum - 1) > NEARLY)
    refuse("candidates", `The shares make ${Math.round(sum * 100)} %; together they must make 100 %.`);
  const named = new Set<string>();
  for (const { standId, plantId } of shares) {
    const name = `${standId} ${plantId}`;
    if (named.has(name)) refuse("candidates", "One of them is named twice; give each one share.");
    named.add(name);
    if (standId && !standById(db, standId)) refuse("candidates", "One of these stands does not exist.");
    if (plantId && plantById(db, plantId)?.standId !== standId)
      refuse("candidates", "One of these plants does not stand there.");
  }
  for (const old of candidatesOf(db, owner, ownerId)) if (old.role === role) write.remove(candidate, old.id);
  for (const { standId, plantId, share } of shares)
    write.insert(candidate, { [`${owner}Id`]: ownerId, role, standId, plantId, share: share / sum });
}

const OWNERS = { cross, flower, lot };

/** Says who may have been the mother or the father of a flower's fruit or of a lot, in shares; none takes it back. */
const setCandidates = command(
  "candidate.set",
  {
    of: choice("Of", ["flower", "lot"]),
    id: ref("flower", "Of"),
    role: choice("Parent", ["mother", "father"]),
    candidates: candidateList("Candidates"),
    /** The version of the flower or lot that was seen. */
    version: seen().optional(),
  },
  (context, { of, id, role, candidates, version }) => {
    const owner = context.write.read(OWNERS[of], id) ?? refuse("id", `That ${of} does not exist.`);
    if (version && owner.version !== version)
      refuse("id", `That ${of} was changed elsewhere since you opened it. Look at it again, then say who it may be.`);
    writeCandidates(context, of, id, role, candidates);
    return {
      message: candidates.length
        ? `${candidates.length} possible ${role}s kept with their shares`
        : `The ${role} is no longer in doubt`,
      id,
    };
  },
);

export const candidateCommands = [setCandidates] as const;
