import { theDb } from "@/db/open";
import { perform } from "@/records/command";
import { COMMANDS } from "@/records/commands";
import { pressOf } from "../../../here";
import { answering, json, refused } from "../../answer";
import { FILE_LIMIT, readJson, statusOf } from "../../body";

type Params = { params: Promise<{ name: string }> };

export const POST = (request: Request, { params }: Params) =>
  answering(async () => {
    const { name } = await params;
    const known = COMMANDS.get(name);
    if (!known) return refused(404, "There is no such command.");
    const body = await readJson(request, name.endsWith(".import") ? FILE_LIMIT : undefined);
    if (!body.ok) return refused(body.status, body.message);
    const outcome = perform(theDb(), known, body.value, pressOf(request));
    return json(outcome, statusOf(outcome));
  });
