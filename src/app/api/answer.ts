import { isBusy, isDamaged, isFull, isHeld } from "@/db/failure";

/** What is recorded in a garden is nobody else's: no copy of an answer is kept between the server and its reader. */
const PRIVATE = { "cache-control": "no-store" };

export const json = (value: unknown, status = 200): Response => Response.json(value, { status, headers: PRIVATE });

/** A refusal in the shape that every write answers with. */
export const refused = (status: number, message: string): Response =>
  json({ ok: false, kind: "refused", message, fields: {} }, status);

export const words = (status: number, message: string): Response =>
  new Response(message, { status, headers: { ...PRIVATE, "content-type": "text/plain; charset=utf-8" } });

/** A file to be kept or shown. */
export function file(
  body: BodyInit,
  type: string,
  name: string,
  how: "attachment" | "inline" = "attachment",
): Response {
  const headers = { ...PRIVATE, "content-type": type, "content-disposition": `${how}; filename="${name}"` };
  return new Response(body, { headers });
}

type Failure = { code?: string; message?: string };

/** What went wrong below, in words that say what was kept and what to do. */
function failureInWords(failure: Failure): { status: number; message: string } {
  const { code = "", message = "" } = failure;
  if (isFull(failure))
    return { status: 507, message: "The disk is full. Nothing was written; make room, then press again." };
  if (code.startsWith("SQLITE_READONLY") || code === "EROFS" || code === "EACCES")
    return {
      status: 503,
      message:
        "The database file can only be read. Nothing was written; give the program the right to write it and start it again.",
    };
  if (isHeld(failure))
    return { status: 503, message: "Another program holds the database. Nothing was written; try again." };
  if (isDamaged(failure) || code.startsWith("SQLITE_IOERR"))
    return {
      status: 503,
      message:
        "The database file is damaged or out of reach. Nothing was written; stop the program and put a backup in its place.",
    };
  return {
    status: 500,
    message: `Something went wrong that nobody foresaw. Nothing was written. (${code || message.slice(0, 120) || "no reason given"})`,
  };
}

/** Answers, and says in words what went wrong where no answer can be had. */
export async function answering(work: () => Response | Promise<Response>): Promise<Response> {
  try {
    return await work();
  } catch (failure) {
    const { status, message } = failureInWords(failure as Failure);
    if (status === 500) console.error(failure);
    const answer = refused(status, message);
    if (isBusy(failure)) answer.headers.set("retry-after", "1");
    return answer;
  }
}
