import { theDb } from "@/db/open";
import { outlookKept } from "@/views/outlook";
import { seasonScene } from "@/views/season";
import { dayOfRequest } from "../../here";
import { seasonAsked } from "../../params";
import { answering, json } from "../answer";

/** What the season's worker reckons with, of the season that is asked for or of the device's. */
export const GET = (request: Request) =>
  answering(() => {
    const sky = outlookKept(theDb(), dayOfRequest(request));
    const season = seasonAsked(new URL(request.url).searchParams.get("season") ?? undefined) ?? sky.season;
    return json(seasonScene(sky, season));
  });
