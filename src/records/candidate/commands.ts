import Joi from "joi";
import { refuse } from "@/db/journal";
import { type Context, command } from "../command";
import { id } from "../fields";
import { plantById } from "../plant/queries";
import { standById } from "../stand/queries";
import { type Candidate, candidatesOf, type Owner, type Role } from "./queries";

export const candidateList = (label: string) =>
  Joi.array()
    .items(
      Joi.object({
        standId: id().allow(null).default(null).label("Stand"),
        plantId: id().allow(null).default(null).label("Plant"),
        share: Joi.number().greater(0).max(1).required().label("Share"),
      }),
    )
    .max(50)
    .label(label);

/** Checks that candidates exist and that their shares make a whole; writes them in place of those before. */
export function writeCandidates(
  context: Context,
  owner: Owner,
  ownerId: number,
  role: Role,
  candidates: Omit<Candidate, "role">[],
): void {
  const { db, write } = context;
  const sum = candidates.reduce((total, { share }) => total + share, 0);
  if (candidates.length > 0 && Math.abs(sum - 1) > 0.005)
    refuse("candidates", `The shares make ${Math.round(sum * 100)} %; together they must make 100 %.`);
  for (const { standId, plantId } of candidates) {
    if (standId && !standById(db, standId)) refuse("candidates", "One of these stands does not exist.");
    if (plantId && plantById(db, plantId)?.standId !== standId)
      refuse("candidates", "One of these plants does not stand there.");
  }
  for (const old of candidatesOf(db, owner, ownerId)) if (old.role === role) write.remove("candidate", old.id);
  for (const { standId, plantId, share } of candidates)
    write.insert("candidate", { [`${owner}Id`]: ownerId, role, standId, plantId, share });
}

type SetCandidates = { of: "flower" | "lot"; id: number; role: Role; candidates: Omit<Candidate, "role">[] };

/** Says who may have been the mother or the father of a flower's fruit or of a lot, in shares; none takes it back. */
const setCandidates = command<SetCandidates>({
  name: "candidate.set",
  schema: Joi.object<SetCandidates>({
    of: Joi.string().valid("flower", "lot").required(),
    id: id().required(),
    role: Joi.string().valid("mother", "father").required().label("Parent"),
    candidates: candidateList("Candidates").required(),
  }),
  run(context, { of, id: ownerId, role, candidates }) {
    if (!context.write.read(of, ownerId)) refuse("id", `That ${of} does not exist.`);
    writeCandidates(context, of, ownerId, role, candidates);
    return {
      message: candidates.length
        ? `${candidates.length} possible ${role}s kept with their shares`
        : `The ${role} is no longer in doubt`,
      id: ownerId,
    };
  },
});

export const candidateCommands = [setCandidates];
