import { METHODS } from "@/catalogue/methods";
import { type Computed, compute } from "@/core/computations";
import { jobResult } from "../../../jobs";
import { answering, json } from "../../answer";
import { FILE_LIMIT, readJson } from "../../body";

const failure = (status: number, message: string, details: Record<string, string> = {}, code = "input") =>
  json({ error: { code, message, details } }, status);

type Params = { params: Promise<{ method: string }> };

export const POST = (request: Request, { params }: Params) =>
  answering(async () => {
    const { method: name } = await params;
    const method = METHODS.find((m) => m.name === name);
    if (!method) return failure(404, `There is no method ${name}.`);
    const body = await readJson(request, method.long ? FILE_LIMIT : undefined);
    if (!body.ok) return failure(body.status, body.message);
    const computed = method.long
      ? await jobResult<Computed>("compute", { name, input: body.value })
      : compute(method, body.value);
    return computed.ok
      ? json({ result: computed.result })
      : failure(400, computed.message, computed.details, computed.code);
  });
