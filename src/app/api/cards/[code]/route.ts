import { cardView } from "@/views/card";
import { askedOf, codeAsked } from "../../../params";
import { answering, words } from "../../answer";

type Params = { params: Promise<{ code: string }> };

/** The card that goes with a lot's packets. */
export const GET = (request: Request, { params }: Params) =>
  answering(async () => {
    const code = codeAsked((await params).code);
    const card = code && cardView(askedOf(request).sky, code);
    return card ? words(200, card) : words(404, "There is no such lot.");
  });
