import { theDb } from "@/db/open";
import { bookFile } from "@/views/book";
import { seasonAsked } from "../../params";
import { answering, file } from "../answer";

const TYPES = { csv: "text/csv; charset=utf-8", json: "application/json" } as const;

/** The cross book as a file, whole or of one season. */
export const GET = (request: Request) =>
  answering(() => {
    const { searchParams } = new URL(request.url);
    const format = searchParams.get("format") === "json" ? "json" : "csv";
    const season = seasonAsked(searchParams.get("season") ?? undefined);
    const name = `cross-book${season ? `-${season}` : ""}.${format}`;
    return file(bookFile(theDb(), season, format), TYPES[format], name);
  });
