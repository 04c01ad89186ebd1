import { seasonScene } from "@/views/season";
import { askedOf } from "../../params";
import { answering, json } from "../answer";

/** What the season's worker reckons with, of the season that is asked for or of the device's. */
export const GET = (request: Request) =>
  answering(() => {
    const { sky, season } = askedOf(request);
    return json(seasonScene(sky, season ?? sky.season));
  });
