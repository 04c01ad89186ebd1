import Joi from "joi";
import { theDb } from "@/db/open";
import { undo } from "@/records/command";
import { readJson, refused, requestName, statusOf } from "../body";

const schema = Joi.object<{ entry: number }>({ entry: Joi.number().integer().min(1).required() });

export async function POST(request: Request): Promise<Response> {
  const body = await readJson(request);
  if (!body.ok) return refused(body.status, body.message);
  const { value, error } = schema.validate(body.value);
  if (error) return refused(400, error.message);
  const outcome = undo(theDb(), value.entry, requestName(request));
  return Response.json(outcome, { status: statusOf(outcome) });
}
