import { theDb } from "@/db/open";
import { type Outcome, perform } from "@/records/command";
import { COMMANDS } from "@/records/commands";
import { lookAhead, pressOf } from "../../../here";
import { jobResult } from "../../../jobs";
import { answering, json, refused } from "../../answer";
import { FILE_LIMIT, readJson, statusOf } from "../../body";

type Params = { params: Promise<{ name: string }> };

export const POST = (request: Request, { params }: Params) =>
  answering(async () => {
    const { name } = await params;
    const known = COMMANDS.get(name);
    if (!known) return refused(404, "There is no such command.");
    const large = known.reads !== undefined;
    const body = await readJson(request, large ? FILE_LIMIT : undefined);
    if (!body.ok) return refused(body.status, body.message);
    const press = pressOf(request);
    const ahead = lookAhead(press);
    if (ahead) return refused(422, ahead);
    const outcome = large
      ? await jobResult<Outcome>("press", { name, input: body.value, press })
      : perform(theDb(), known, body.value, press);
    return json(outcome, statusOf(outcome));
  });
