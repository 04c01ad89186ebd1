import { Readable } from "node:stream";
import { archiveOf } from "@/db/archive";
import { theDb } from "@/db/open";
import { garden } from "@/records/garden/queries";
import { dayOn } from "@/views/outlook";
import { dayOfRequest } from "../../here";
import { answering, file } from "../answer";

export const GET = (request: Request) =>
  answering(() => {
    const db = theDb();
    const day = dayOn(garden(db), dayOfRequest(request));
    return file(
      Readable.toWeb(Readable.from(archiveOf(db))) as ReadableStream,
      "application/zip",
      `nimble-orchard-${day}.zip`,
    );
  });
