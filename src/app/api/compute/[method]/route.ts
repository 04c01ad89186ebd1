import { METHODS } from "@/catalogue/methods";
import { compute } from "@/core/computations";
import { answering, json } from "../../answer";
import { readJson } from "../../body";

const failure = (status: number, message: string, details: Record<string, string> = {}) =>
  json({ error: { message, details } }, status);

type Params = { params: Promise<{ method: string }> };

export const POST = (request: Request, { params }: Params) =>
  answering(async () => {
    const { method: name } = await params;
    const method = METHODS.find((m) => m.name === name);
    if (!method) return failure(404, `There is no method ${name}.`);
    const body = await readJson(request);
    if (!body.ok) return failure(body.status, body.message);
    const computed = compute(method, body.value);
    return computed.ok ? json({ result: computed.result }) : failure(400, computed.message, computed.details);
  });
