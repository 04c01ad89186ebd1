import { backup } from "@/db/backup";
import { theDb } from "@/db/open";
import { asOfDay, garden } from "@/records/garden/queries";

export async function GET(): Promise<Response> {
  const db = theDb();
  const name = `nimble-orchard-${asOfDay(garden(db))}.db`;
  return new Response(await backup(db), {
    headers: { "content-type": "application/vnd.sqlite3", "content-disposition": `attachment; filename="${name}"` },
  });
}
