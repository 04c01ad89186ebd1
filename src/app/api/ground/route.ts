import { theDb } from "@/db/open";
import { garden } from "@/records/garden/queries";
import { writeGround } from "@/records/ground/geojson";

export function GET(): Response {
  const db = theDb();
  return new Response(JSON.stringify(writeGround(db, garden(db)), null, 1), {
    headers: {
      "content-type": "application/geo+json",
      "content-disposition": 'attachment; filename="ground.geojson"',
    },
  });
}
