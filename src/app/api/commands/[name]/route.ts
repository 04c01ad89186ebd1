import { theDb } from "@/db/open";
import { perform } from "@/records/command";
import { COMMANDS } from "@/records/commands";
import { FILE_LIMIT, readJson, refused, requestName, statusOf } from "../../body";

export async function POST(request: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> {
  const { name } = await params;
  const known = COMMANDS.get(name);
  if (!known) return refused(404, "There is no such command.");
  const body = await readJson(request, name.endsWith(".import") ? FILE_LIMIT : undefined);
  if (!body.ok) return refused(body.status, body.message);
  const outcome = perform(theDb(), known, body.value, requestName(request));
  return Response.json(outcome, { status: statusOf(outcome) });
}
