import { letterView } from "@/views/letter";
import { askedOf } from "../../../params";
import { answering, words } from "../../answer";

type Params = { params: Promise<{ id: string }> };

/** The letter to a neighbour, as plain text to print or to copy. */
export const GET = async (request: Request, { params }: Params) => {
  const { id } = await params;
  return answering(() => {
    const letter = letterView(askedOf(request).sky, id);
    return letter === null ? words(404, "That pollen source is not on the ground any more.") : words(200, letter);
  });
};
