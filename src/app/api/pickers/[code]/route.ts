import { pickersList } from "@/views/harvest";
import { askedOf, codeAsked } from "../../../params";
import { answering, words } from "../../answer";

type Params = { params: Promise<{ code: string }> };

/** A list for helpers who pick for seed. */
export const GET = (request: Request, { params }: Params) =>
  answering(async () => {
    const code = codeAsked((await params).code);
    const list = code && pickersList(askedOf(request).sky, code);
    return list ? words(200, list) : words(404, "There is no such stand.");
  });
