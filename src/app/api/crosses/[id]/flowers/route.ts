import { theDb } from "@/db/open";
import { bookFlowers } from "@/views/book";

export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const flowers = bookFlowers(theDb(), Number((await params).id));
  return flowers ? Response.json(flowers) : new Response("There is no such cross.", { status: 404 });
}
