import { theDb } from "@/db/open";
import { find } from "@/records/history/queries";

export function GET(request: Request): Response {
  const words = new URL(request.url).searchParams.get("q")?.trim().slice(0, 120) ?? "";
  return Response.json({ found: words ? find(theDb(), words) : [] });
}
