import { theDb } from "@/db/open";
import { bookFlowers } from "@/views/book";
import { codeAsked } from "../../../../params";
import { answering, json, words } from "../../../answer";

type Params = { params: Promise<{ code: string }> };

export const GET = (_: Request, { params }: Params) =>
  answering(async () => {
    const code = codeAsked((await params).code);
    const flowers = code && bookFlowers(theDb(), code);
    return flowers ? json(flowers) : words(404, "There is no such cross.");
  });
