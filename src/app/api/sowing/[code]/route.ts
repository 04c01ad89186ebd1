import { nextSowing } from "@/views/nextSowing";
import { askedOf, codeAsked } from "../../../params";
import { answering, json, refused } from "../../answer";

type Params = { params: Promise<{ code: string }> };

/** How a line's next generation is sown: of which lots, how many seeds, where and when. */
export const GET = (request: Request, { params }: Params) =>
  answering(async () => {
    const code = codeAsked((await params).code);
    const lot = codeAsked(new URL(request.url).searchParams.get("lot") ?? undefined);
    const sowing = code && nextSowing(askedOf(request).sky, code, lot);
    return sowing ? json(sowing) : refused(404, "There is no such line.");
  });
