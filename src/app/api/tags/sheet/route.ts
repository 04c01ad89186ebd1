import Joi from "joi";
import { theDb } from "@/db/open";
import { tagsPdf } from "../tagPdf";
import { crossTags, type Part } from "../tags";

type Query = {
  cross: number;
  parts: Part[];
  width: number;
  height: number;
  paper: "a4" | "letter" | "single";
  code: "qr" | "datamatrix";
  spare: number;
};

const schema = Joi.object<Query>({
  cross: Joi.number().integer().min(1).required(),
  parts: Joi.array()
    .items(Joi.string().valid("flowers", "bags", "packets"))
    .min(1)
    .max(3)
    .required(),
  width: Joi.number().min(30).max(180).required(),
  height: Joi.number().min(12).max(90).required(),
  paper: Joi.string().valid("a4", "letter", "single").required(),
  code: Joi.string().valid("qr", "datamatrix").required(),
  spare: Joi.number().integer().min(0).max(200).required(),
});

/** Tags of a cross, sizes in mm. */
export async function GET(request: Request): Promise<Response> {
  const { parts = "", ...query } = Object.fromEntries(new URL(request.url).searchParams);
  const { value, error } = schema.validate({ ...query, parts: parts.split(",").filter(Boolean) });
  if (error) return new Response(`These tags can't be made: ${error.message}.`, { status: 400 });
  const tags = crossTags(theDb(), value.cross, value.parts, value.spare);
  if (!tags) return new Response("There is no such cross.", { status: 404 });
  if (tags.length === 0) return new Response("No flower is waiting for a tag.", { status: 404 });
  return new Response(new Uint8Array(await tagsPdf(tags, value)), {
    headers: { "content-type": "application/pdf", "content-disposition": 'inline; filename="tags.pdf"' },
  });
}
