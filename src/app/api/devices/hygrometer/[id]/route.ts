import { addDays } from "@/core/calendar/day";
import { isId } from "@/core/custody/id";
import { hygrometerLog } from "@/core/seed/hygrometer";
import { storeById } from "@/records/store/queries";
import { airOf } from "@/views/lain";
import { askedOf } from "../../../../params";
import { answering, file, words } from "../../../answer";

type Params = { params: Promise<{ id: string }> };

/** So far back the simulated logger remembers, days. */
const REMEMBERED = 365;

/** What the simulated thermo-hygrometer logged in a place, up to the device's day. */
export const GET = (request: Request, { params }: Params) =>
  answering(async () => {
    const { id } = await params;
    const { sky } = askedOf(request);
    const store = isId(id) ? storeById(sky.db, id) : undefined;
    if (!store) return words(404, "There is no such place, so no logger lies in it.");
    const seed = Number.parseInt(id.slice(-6), 16);
    const log = hygrometerLog(airOf(store), seed, addDays(sky.today, -REMEMBERED), sky.today, sky.garden.latitude < 0);
    return file(log, "text/csv; charset=utf-8", "hygrometer.csv", "inline");
  });
