import { isId } from "@/core/custody/id";
import { theDb } from "@/db/open";
import { answering, file, words } from "../../../answer";
import { MOST_TAGS, tagsPdf, USUAL } from "../../tagPdf";
import { sharingTags } from "../../tags";

type Params = { params: Promise<{ id: string }> };

/** The labels of everything that is given on a sharing day, on one sheet. */
export const GET = (_: Request, { params }: Params) =>
  answering(async () => {
    const { id } = await params;
    const tags = isId(id) ? sharingTags(theDb(), id) : null;
    if (!tags) return words(404, "There is no such day.");
    if (tags.length === 0) return words(404, "Nothing is offered on that day yet.");
    if (tags.length > MOST_TAGS)
      return words(
        400,
        `That makes ${tags.length} labels; at most ${MOST_TAGS} are made at once. Print those of each lot.`,
      );
    return file(new Uint8Array(await tagsPdf(tags, USUAL)), "application/pdf", "sharing.pdf", "inline");
  });
