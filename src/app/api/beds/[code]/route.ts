import { bedsForStand } from "@/views/bedsToSow";
import { askedOf, codeAsked } from "../../../params";
import { answering, json, refused } from "../../answer";

type Params = { params: Promise<{ code: string }> };

/** Into which bed a planting may go, and how many plants fit there. */
export const GET = (request: Request, { params }: Params) =>
  answering(async () => {
    const code = codeAsked((await params).code);
    const where = code && bedsForStand(askedOf(request).sky, code);
    return where ? json(where) : refused(404, "There is no such planting.");
  });
