import { pedigreeFile } from "@/views/pedigreeFile";
import { askedOf, codeAsked } from "../../../params";
import { answering, file, refused } from "../../answer";

type Params = { params: Promise<{ code: string }> };

/** Everyone a line, a stand or a lot comes from, with their parents and inbreeding, as CSV. */
export const GET = (request: Request, { params }: Params) =>
  answering(async () => {
    const code = codeAsked((await params).code);
    const csv = code === null ? null : pedigreeFile(askedOf(request).sky, code);
    if (!csv) return refused(404, "Nothing has that code.");
    return file(csv, "text/csv; charset=utf-8", `pedigree-${code}.csv`);
  });
