import { seasonOf } from "@/core/climate/season";
import { readCode } from "@/core/custody/code";
import { theDb } from "@/db/open";
import { find, findFlower } from "@/records/find/queries";
import { garden } from "@/records/garden/queries";
import { dayOn } from "@/views/outlook";
import { dayOfRequest } from "../../here";
import { answering, json } from "../answer";

const LIKE_A_CODE = /^[a-z][\s-]?[\doi]{2}[\s-]?[\doi]{3,}[\s-]?(n[\doi]+[\s-]?)?[a-z\d]$/i;

/** The season that the asking device stands in. */
function seasonOfRequest(request: Request): number {
  const place = garden(theDb());
  return seasonOf(dayOn(place, dayOfRequest(request)), place.latitude);
}

/** What looks like a whole code is read as one, so that a slip is named instead of not found. */
export const GET = (request: Request) =>
  answering(() => {
    const words = new URL(request.url).searchParams.get("q")?.trim().slice(0, 120) ?? "";
    if (!words) return json({ found: [] });
    const read = LIKE_A_CODE.test(words) ? readCode(words) : null;
    const found =
      read?.ok && read.kind === "flower"
        ? findFlower(theDb(), read.cross, read.number)
        : find(theDb(), read?.ok ? read.code : words, seasonOfRequest(request));
    return json({ found, slip: found.length === 0 && read && !read.ok ? read.message : undefined });
  });
