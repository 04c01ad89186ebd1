import Joi from "joi";
import { plural } from "@/core/units/plural";
import { theDb } from "@/db/open";
import { codeAsked } from "../../../params";
import { answering, file, words } from "../../answer";
import { MOST_TAGS, tagsPdf, tooSmall } from "../tagPdf";
import { crossTags, type Part } from "../tags";

type Query = {
  cross: string;
  parts: Part[];
  width: number;
  height: number;
  paper: "a4" | "letter" | "single";
  code: "qr" | "datamatrix";
  spare: number;
  /** Only whether they can be made so. */
  check?: "1";
};

const schema = Joi.object<Query>({
  cross: Joi.string().max(60).required(),
  parts: Joi.array()
    .items(Joi.string().valid("flowers", "bags", "packets"))
    .min(1)
    .max(3)
    .required(),
  width: Joi.number().min(30).max(180).required(),
  height: Joi.number().min(12).max(90).required(),
  paper: Joi.string().valid("a4", "letter", "single").required(),
  code: Joi.string().valid("qr", "datamatrix").required(),
  spare: Joi.number().integer().min(0).max(60).required(),
  check: Joi.string().valid("1"),
});

/** Tags of a cross, sizes in mm. */
export const GET = (request: Request) =>
  answering(async () => {
    const { parts = "", ...query } = Object.fromEntries(new URL(request.url).searchParams);
    const { value, error } = schema.validate({ ...query, parts: parts.split(",").filter(Boolean) });
    if (error) return words(400, `These tags can't be made: ${error.message}.`);
    const code = codeAsked(value.cross);
    const tags = code && crossTags(theDb(), code, value.parts, value.spare);
    if (!tags) return words(404, "There is no such cross.");
    if (tags.length === 0) return words(404, "No flower is waiting for a tag.");
    if (tags.length > MOST_TAGS)
      return words(400, `That makes ${tags.length} tags; at most ${MOST_TAGS} are made at once. Ask for fewer.`);
    const small = await tooSmall(tags, value);
    if (small) return words(400, small);
    if (value.check) return words(200, `${plural(tags.length, "tag")} of ${value.width} × ${value.height} mm.`);
    return file(new Uint8Array(await tagsPdf(tags, value)), "application/pdf", "tags.pdf", "inline");
  });
