import { NoArchive } from "@/db/archive";
import { theDb } from "@/db/open";
import type { Outcome } from "@/records/command";
import { jobAnswer } from "../../jobs";
import { answering, refused } from "../answer";
import { dropCopy, keepCopy, TooLarge, waitingCopy } from "./copy";

/** Takes in another copy of the garden and says what bringing it in would do. */
export const POST = (request: Request) =>
  answering(async () => {
    if (request.headers.get("content-type") !== "application/octet-stream")
      return refused(415, "Send the database file or the archive as it is.");
    try {
      const copy = await keepCopy(request);
      const { folder, path } = copy;
      return jobAnswer<{ outcome: Outcome }>(
        "garden.look-at-copy",
        { own: theDb().name, copy: path, folder },
        (result) => {
          // What can't come in is not kept.
          if (!result?.outcome.ok && waitingCopy()?.path === path) dropCopy();
        },
      );
    } catch (failure) {
      dropCopy();
      if (failure instanceof TooLarge) return refused(413, "That file is larger than any garden's.");
      if (failure instanceof NoArchive) return refused(415, `That is no archive of a garden. ${failure.message}`);
      throw failure;
    }
  });
