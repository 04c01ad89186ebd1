import { isId } from "@/core/custody/id";
import { theDb } from "@/db/open";
import { notesView } from "@/views/notes";
import { answering, json, refused } from "../../../answer";

type Params = { params: Promise<{ of: string; id: string }> };

/** What was noted of one thing. */
export const GET = async (_: Request, { params }: Params) => {
  const { of, id } = await params;
  return answering(() => {
    const notes = isId(id) ? notesView(theDb(), of, id) : null;
    return notes ? json(notes) : refused(404, "Nothing of that kind can be noted of.");
  });
};
