import { check } from "@/records/schema";
import { VIEW_JOBS } from "@/views/jobs";
import { jobAnswer } from "../../../jobs";
import { answering, refused } from "../../answer";
import { readJson } from "../../body";

type Params = { params: Promise<{ name: string }> };

/** Long reckoning for a page that is there already, in the server's worker. */
export const POST = (request: Request, { params }: Params) =>
  answering(async () => {
    const { name } = await params;
    const job = VIEW_JOBS.get(name);
    if (!job) return refused(404, "There is no such job.");
    const body = await readJson(request);
    if (!body.ok) return refused(body.status, body.message);
    const checked = check(job.fields, job.schema, body.value);
    if (!checked.ok) return refused(400, Object.values(checked.fields)[0]!);
    return jobAnswer(name, checked.value);
  });
