import { dayInWords } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { readAirLog } from "@/core/seed/airLog";
import { plural } from "@/core/units/plural";
import { refuse } from "@/db/ops";
import { prepared } from "@/db/rows";
import { type Context, command } from "../command";
import { lotById } from "../lot/queries";
import { day, given, ref, seen } from "../record";
import { fileText, idList } from "../schema";
import { airOf, stays, storeById } from "./queries";
import { air, type Store, stay, store } from "./store";

const SAID = ["name", "temperature", "humidity", "desiccantOn", "desiccantEvery", "note"] as const;

function existing({ db }: Context, id: Id, field = "id"): Store {
  return storeById(db, id) ?? refuse(field, "That place does not exist.");
}

const addStore = command("store.add", store.adding(...SAID), ({ write }, input) => ({
  message: `${input.name}: seed can lie there now`,
  id: write.insert(store, input),
}));

const changeStore = command(
  "store.change",
  { id: ref("store", "Place"), version: seen(), ...store.patching(...SAID) },
  (context, { id, version, ...patch }) => {
    const { name } = existing(context, id);
    context.write.update(store, id, patch, version);
    return { message: `${patch.name ?? name} kept`, id };
  },
);

const renewDesiccant = command(
  "store.desiccant",
  { id: ref("store", "Place"), version: seen(), on: day("Changed on").optional() },
  (context, { id, version, on }) => {
    const { name } = existing(context, id);
    context.write.update(store, id, { desiccantOn: on ?? context.today }, version);
    return { message: `${name}: fresh desiccant`, id };
  },
);

const endStore = command(
  "store.end",
  { id: ref("store", "Place"), version: seen(), on: day("Given up on").optional() },
  (context, { id, version, on }) => {
    const { name } = existing(context, id);
    const there = prepared(
      context.db,
      `SELECT count(*) FROM lot k WHERE k.endedOn IS NULL
         AND (SELECT y.storeId FROM stay y WHERE y.lotId = k.id ORDER BY y.since DESC, y.id DESC LIMIT 1) = ?`,
    )
      .pluck()
      .get(id) as number;
    if (there > 0) refuse("id", `${plural(there, "lot")} still lie in ${name}. Put them elsewhere first.`);
    context.write.update(store, id, { endedOn: on ?? context.today }, version);
    return { message: `${name} given up`, id };
  },
);

/** Lots put into a place, together. */
const putAway = command(
  "lot.store",
  {
    lotIds: given<Id[]>("Lots", idList(500)),
    storeId: ref("store", "Place"),
    since: day("Since").optional(),
  },
  (context, { lotIds, storeId, since }) => {
    const { db, write, today } = context;
    const { name } = existing(context, storeId, "storeId");
    const from = since ?? today;
    for (const lotId of new Set(lotIds)) {
      const lot = lotById(db, lotId) ?? refuse("lotIds", "That lot does not exist.");
      const lay = stays(db, lotId);
      const last = lay.at(-1);
      if (last && last.since > from)
        refuse("since", `Lot ${lot.code} was put elsewhere on ${dayInWords(last.since)} already.`);
      // Put somewhere else on the same day: it never lay there.
      if (last?.since === from) write.update(stay, last.id, { storeId });
      else if (last?.storeId !== storeId) write.insert(stay, { lotId, storeId, since: from });
    }
    return { message: `${plural(new Set(lotIds).size, "lot")} in ${name}`, ids: [...new Set(lotIds)] };
  },
);

/** A logger's file, as it is: days that were read before are put right. */
const readAir = command(
  "air.read",
  { storeId: ref("store", "Place"), text: fileText("File", 2_000_000, "The file is larger than two megabytes.") },
  (context, input) => {
    const { db, write, latest } = context;
    const { name } = existing(context, input.storeId, "storeId");
    const { days, leftOut } = readAirLog(input.text);
    const past = days.filter(({ on }) => on <= latest);
    if (past.length === 0)
      refuse(
        "text",
        leftOut[0]
          ? `No line could be read. Line ${leftOut[0].line} ${leftOut[0].why}. A line looks like 2027-07-09T06:00,14.2,38.`
          : "The file holds no readings.",
      );
    for (const { on, temperature, humidity } of past) {
      const row = { temperature, humidity: Number((humidity * 100).toFixed(2)) };
      const known = airOf(db, input.storeId, on);
      if (!known) write.insert(air, { storeId: input.storeId, on, ...row });
      else if (known.temperature !== row.temperature || known.humidity !== row.humidity)
        write.update(air, known.id, row);
    }
    const [first] = leftOut;
    return {
      message: `${name}: the air of ${plural(past.length, "day")} read`,
      warnings: [
        ...(first ? [`${plural(leftOut.length, "line")} left out; line ${first.line} ${first.why}.`] : []),
        ...(past.length < days.length ? [`${plural(days.length - past.length, "day")} still to come left out.`] : []),
      ],
    };
  },
);

export const storeCommands = [addStore, changeStore, renewDesiccant, endStore, putAway, readAir] as const;
