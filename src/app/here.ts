import { cookies } from "next/headers";
import { cache } from "react";
import { addDays, dayInWords, isRecordable } from "@/core/calendar/day";
import { isId } from "@/core/custody/id";
import { theDb } from "@/db/open";
import type { Press } from "@/records/command";
import { garden, lastRecordable } from "@/records/garden/queries";
import { type DeviceDay, dayOn, outlookKept } from "@/views/outlook";

/** The as-of day that a device keeps in its cookie. */
function deviceDay(kept: string | undefined): DeviceDay {
  if (kept === "now") return "now";
  return kept && isRecordable(kept) ? kept : null;
}

/** The outlook of the request under way. */
export const here = cache(async () => outlookKept(theDb(), deviceDay((await cookies()).get("day")?.value)));

const cookieOf = (request: Request, name: string) =>
  request.headers
    .get("cookie")
    ?.split(/;\s*/)
    .find((part) => part.startsWith(`${name}=`))
    ?.slice(name.length + 1);

/** The day on which a request's device stands. */
export const dayOfRequest = (request: Request): DeviceDay => deviceDay(cookieOf(request, "day"));

/** A device's clock may be a day ahead of the garden's. */
const CLOCKS_APART = 1;

/** The sentence that refuses a press for a day to come: a look ahead is a look. Null for a day that can be recorded. */
export function lookAhead({ day }: Partial<Press>): string | null {
  const last = lastRecordable(garden(theDb()));
  if (!day || day <= addDays(last, CLOCKS_APART)) return null;
  return `This device looks ahead to ${dayInWords(day, "long")}. Nothing is recorded for a day to come; go back to today first.`;
}

/** What a request says of the press that it carries: its name, its device, the day and moment there. */
export function pressOf(request: Request): Partial<Press> {
  const id = request.headers.get("x-request");
  const device = request.headers.get("x-device");
  const day = request.headers.get("x-day") ?? undefined;
  const at = new Date(request.headers.get("x-at") ?? Number.NaN);
  return {
    ...(isId(id) ? { id } : {}),
    ...(isId(device) ? { device } : {}),
    ...(Number.isNaN(at.getTime()) ? {} : { at: at.toISOString() }),
    day: day && isRecordable(day) ? day : dayOn(garden(theDb()), dayOfRequest(request)),
  };
}
