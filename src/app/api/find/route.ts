import { readCode } from "@/core/custody/code";
import { theDb } from "@/db/open";
import { find, findFlower } from "@/records/find/queries";
import { askedOf } from "../../params";
import { answering, json } from "../answer";

const LIKE_A_CODE = /^[a-z][\s-]?[\doi]{2}[\s-]?[\doi]{3,}[\s-]?(n[\doi]+[\s-]?)?[a-z\d]$/i;

/** What looks like a whole code is read as one, so that a slip is named instead of not found. */
export const GET = (request: Request) =>
  answering(() => {
    const words = new URL(request.url).searchParams.get("q")?.trim().slice(0, 120) ?? "";
    if (!words) return json({ found: [] });
    const read = LIKE_A_CODE.test(words) ? readCode(words) : null;
    const found =
      read?.ok && read.kind === "flower"
        ? findFlower(theDb(), read.cross, read.number)
        : find(theDb(), read?.ok ? read.code : words, askedOf(request).sky.season);
    return json({ found, slip: found.length === 0 && read && !read.ok ? read.message : undefined });
  });
