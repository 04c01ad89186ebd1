import { theDb } from "@/db/open";
import { garden } from "@/records/garden/queries";
import { writeGround } from "@/records/ground/geojson";
import { answering, file } from "../answer";

export const GET = () =>
  answering(() => {
    const db = theDb();
    const text = JSON.stringify(writeGround(db, garden(db)), null, 1);
    return file(text, "application/geo+json", "ground.geojson");
  });
