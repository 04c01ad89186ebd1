import { CHOICES } from "@/views/choices";
import { askedOf } from "../../../params";
import { answering, json, refused } from "../../answer";

type Params = { params: Promise<{ of: string }> };

const isChoice = (of: string): of is keyof typeof CHOICES => Object.hasOwn(CHOICES, of);

/** What a form lets choose from, of the season that is asked for or of the device's. */
export const GET = (request: Request, { params }: Params) =>
  answering(async () => {
    const { of } = await params;
    if (!isChoice(of)) return refused(404, "There is nothing of that kind to choose from.");
    const { sky, season: asked } = askedOf(request);
    const season = asked ?? sky.season;
    return json(sky.once(`choices ${of} ${season}`, () => CHOICES[of](sky, season)));
  });
