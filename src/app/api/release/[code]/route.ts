import { photoFile } from "@/db/photos";
import { sheetParts, typicalInWords } from "@/screens/lines/releaseWords";
import { releaseView } from "@/views/release";
import { askedOf, codeAsked } from "../../../params";
import { answering, file, refused } from "../../answer";
import { sheetPdf } from "./sheetPdf";

type Params = { params: Promise<{ code: string }> };

/** A line's sheet: as PDF, or all of it as JSON. */
export const GET = (request: Request, { params }: Params) =>
  answering(async () => {
    const code = codeAsked((await params).code);
    const { sky } = askedOf(request);
    const found = code === null ? null : releaseView(sky, code);
    if (!found) return refused(404, "There is no such line.");
    const { band: _, units, ...release } = found;
    if (new URL(request.url).searchParams.get("format") === "json")
      return file(JSON.stringify(release, null, 2), "application/json", `variety-${code}.json`);
    const parts = sheetParts(release, units);
    const { typical } = release;
    const bytes = typical?.photo ? await photoFile(sky.db, typical.photo.id, "whole") : null;
    const picture = typical && bytes && { bytes, words: typicalInWords(typical) };
    const pdf = await sheetPdf(release.line.name, `${sky.garden.name}, ${release.line.code}`, parts, picture);
    return file(new Uint8Array(pdf), "application/pdf", `variety-${code}.pdf`, "inline");
  });
