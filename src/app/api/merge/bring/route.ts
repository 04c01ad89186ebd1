import { theDb } from "@/db/open";
import { copyPhotos, photosOf } from "@/db/photos";
import type { Outcome } from "@/records/command";
import { pressOf } from "../../../here";
import { jobAnswer } from "../../../jobs";
import { answering, refused } from "../../answer";
import { readJson } from "../../body";
import { dropCopy, waitingCopy } from "../copy";

/** A garden that went far apart asks much. */
const LIMIT = 4 * 1024 * 1024;

const isSide = (value: unknown) => value === "ours" || value === "theirs";

/** Brings in the copy that was looked at, with a person's answers. */
export const POST = (request: Request) =>
  answering(async () => {
    const body = await readJson(request, LIMIT);
    if (!body.ok) return refused(body.status, body.message);
    const answers = Object(Object(body.value).answers) as Record<string, unknown>;
    if (Array.isArray(answers) || !Object.values(answers).every(isSide))
      return refused(400, "Each answer is one of the two copies.");
    const copy = waitingCopy();
    if (!copy) return refused(422, "The copy is not here any more. Choose it again.");
    // Pictures before the rows that speak of them: one without a row is seen by nobody.
    await copyPhotos(copy.photos, photosOf(theDb()));
    const brought = { ...copy, own: theDb().name, copy: copy.path, answers, press: pressOf(request) };
    return jobAnswer<{ outcome: Outcome }>("garden.bring-in", brought, (result) => {
      if (result?.outcome.ok) dropCopy();
    });
  });
