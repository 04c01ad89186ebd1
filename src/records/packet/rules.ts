import { dayInWords } from "@/core/calendar/day";
import { refuse } from "@/db/ops";
import { notAhead, type Rule, touched } from "../facts";
import { refuseBeyond } from "../lot/left";
import type { Packet } from "./packet";

export const packetRule: Rule<Packet> = (facts, next, before) => {
  if (touched(next, before, "madeOn")) notAhead(facts, next.madeOn, "madeOn");
  if ((next.goneOn === null) !== (next.goneTo === "")) refuse("goneTo", "Say to whom it went, and when.");
  if (!touched(next, before, "goneOn", "seeds") || !next.goneOn) return;
  notAhead(facts, next.goneOn, "goneOn");
  if (next.goneOn < next.madeOn) refuse("goneOn", `It was made on ${dayInWords(next.madeOn)}.`);
  // A packet that is a reserve itself is given knowingly.
  if (next.seeds && !next.reserve) refuseBeyond(facts, next.lotId, next.seeds, "goneTo", "given");
};
