import type Database from "better-sqlite3";

/** A page asked for and read to its end. @throws Error where it is not there */
export async function page(url: string): Promise<void> {
  const answer = await fetch(url);
  if (!answer.ok) throw new Error(`${url}: ${answer.status}`);
  await answer.text();
}

/** Something sent to a server. @throws Error with its answer where that refuses it */
export async function post(server: string, path: string, body: object): Promise<void> {
  const answer = await fetch(server + path, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
  });
  if (!answer.ok) throw new Error(await answer.text());
}

/** A page of each kind of record in a large garden. */
export function pagesOfRecords(db: Database.Database): string[] {
  const any = (sql: string) => db.prepare(sql).pluck().get() as string;
  return [
    `/crosses/${any("SELECT min(code) FROM cross")}`,
    `/nursery/${any("SELECT min(code) FROM stand WHERE season = 2027")}`,
    `/seed/${any("SELECT max(code) FROM lot")}`,
    `/lines/${any("SELECT l.code FROM stand s JOIN line l ON l.id = s.lineId WHERE s.season = 2027 LIMIT 1")}`,
  ];
}
