import { theDb } from "@/db/open";
import { codeAsked } from "../../../../params";
import { answering, file, words } from "../../../answer";
import { tagsPdf, USUAL } from "../../tagPdf";
import { tagsOf } from "../../tags";

type Params = { params: Promise<{ kind: string; code: string }> };

/** The tag of one thing, by its code. */
export const GET = (_: Request, { params }: Params) =>
  answering(async () => {
    const { kind, code: typed } = await params;
    const code = codeAsked(typed);
    const tags = code && tagsOf(theDb(), kind, code);
    if (!tags) return words(404, "There is no such tag.");
    return file(new Uint8Array(await tagsPdf(tags, USUAL)), "application/pdf", `${code}.pdf`, "inline");
  });
