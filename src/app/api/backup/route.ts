import { backup } from "@/db/backup";
import { theDb } from "@/db/open";
import { garden } from "@/records/garden/queries";
import { dayOn } from "@/views/outlook";
import { dayOfRequest } from "../../here";
import { answering, file } from "../answer";

export const GET = (request: Request) =>
  answering(async () => {
    const db = theDb();
    const day = dayOn(garden(db), dayOfRequest(request));
    return file(await backup(db), "application/vnd.sqlite3", `nimble-orchard-${day}.db`);
  });
