import { isId } from "@/core/custody/id";
import { theDb } from "@/db/open";
import { keepPhoto, NoPicture, photoFile } from "@/db/photos";
import { answering, json, refused } from "../../answer";
import { readBytes } from "../../body";

type Params = { params: Promise<{ id: string }> };

/** What a device sends has been made small there; what a camera gives as it is comes to less than this too. */
const LIMIT = 24 * 1024 * 1024;

/** A picture, whole or small. It stays what it is, so the browser may keep it, for when there is no signal. */
export const GET = (request: Request, { params }: Params) =>
  answering(async () => {
    const { id } = await params;
    const size = new URL(request.url).searchParams.has("small") ? "small" : "whole";
    const bytes = isId(id) ? await photoFile(theDb(), id, size) : null;
    if (!bytes)
      return refused(404, "That picture is not here: it lies beside the copy of the garden that it was taken on.");
    const headers = { "content-type": "image/jpeg", "cache-control": "private, max-age=31536000, immutable" };
    return new Response(bytes, { headers });
  });

/** Takes a picture in, before the press that says what it is of. */
export const POST = (request: Request, { params }: Params) =>
  answering(async () => {
    const { id } = await params;
    if (!isId(id)) return refused(404, "A picture goes by the id of its row.");
    if (!/^image\//.test(request.headers.get("content-type") ?? "")) return refused(415, "Send a picture.");
    const body = await readBytes(request, LIMIT);
    if (!body) return refused(413, "That picture is larger than any that is taken in: 24 megabytes are the most.");
    try {
      await keepPhoto(theDb(), id, body);
    } catch (failure) {
      if (failure instanceof NoPicture) return refused(415, "That is no picture that can be read.");
      throw failure;
    }
    return json({ ok: true, message: "Picture taken in" });
  });
