import { theDb } from "@/db/open";
import { bookFile } from "@/views/book";

const TYPES = { csv: "text/csv; charset=utf-8", json: "application/json" } as const;

/** The cross book as a file, whole or of one season. */
export function GET(request: Request): Response {
  const { searchParams } = new URL(request.url);
  const format = searchParams.get("format") === "json" ? "json" : "csv";
  const season = /^\d{4}$/.test(searchParams.get("season") ?? "") ? Number(searchParams.get("season")) : null;
  return new Response(bookFile(theDb(), season, format), {
    headers: {
      "content-type": TYPES[format],
      "content-disposition": `attachment; filename="cross-book${season ? `-${season}` : ""}.${format}"`,
    },
  });
}
