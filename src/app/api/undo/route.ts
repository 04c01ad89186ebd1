import { theDb } from "@/db/open";
import { undo } from "@/records/command";
import { pressOf } from "../../here";
import { answering, json, refused } from "../answer";
import { readJson, statusOf } from "../body";

export const POST = (request: Request) =>
  answering(async () => {
    const body = await readJson(request);
    if (!body.ok) return refused(body.status, body.message);
    const outcome = undo(theDb(), Object(body.value).entry, pressOf(request));
    return json(outcome, statusOf(outcome));
  });
