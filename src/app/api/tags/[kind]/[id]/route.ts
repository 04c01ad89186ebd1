import { theDb } from "@/db/open";
import { tagsPdf, USUAL } from "../../tagPdf";
import { TAGS } from "../../tags";

export async function GET(
  _: Request,
  { params }: { params: Promise<{ kind: string; id: string }> },
): Promise<Response> {
  const { kind, id } = await params;
  const tag = TAGS[kind]?.(theDb(), Number(id));
  if (!tag) return new Response("There is no such tag.", { status: 404 });
  return new Response(new Uint8Array(await tagsPdf([tag], USUAL)), {
    headers: { "content-type": "application/pdf", "content-disposition": `inline; filename="${tag.code}.pdf"` },
  });
}
