import { check, schemaOf } from "@/records/schema";
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
    // A page may say more than the job asks for: what makes it ask anew.
    const asked = Object.fromEntries(Object.keys(job.fields).map((field) => [field, Object(body.value)[field]]));
    const checked = check(job.fields, schemaOf(job.fields), asked);
    if (!checked.ok) return refused(400, Object.values(checked.fields)[0]!);
    return jobAnswer(name, checked.value);
  });
