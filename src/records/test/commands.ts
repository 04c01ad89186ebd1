import { dayInWords } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { refuse } from "@/db/ops";
import { type Context, command } from "../command";
import { lotById } from "../lot/queries";
import { day, ref, seen } from "../record";
import { countsOf, type TestRow, testById } from "./queries";
import { test, testCount } from "./test";

const which = { id: ref("test", "Test"), version: seen() };

function existing({ db }: Context, id: Id, field = "id"): TestRow {
  return testById(db, id) ?? refuse(field, "That test does not exist.");
}

const setTest = command(
  "test.set",
  { ...test.adding("lotId", "sown", "warmth", "woken", "note"), on: day("Set on").optional() },
  (context, { on, ...input }) => {
    const { code } = lotById(context.db, input.lotId) ?? refuse("lotId", "That lot does not exist.");
    const id = context.write.insert(test, { ...input, on: on ?? context.today });
    return { message: `${input.sown} seeds of lot ${code} set to germinate`, id };
  },
);

const changeTest = command(
  "test.change",
  { ...which, ...test.patching("on", "sown", "warmth", "woken", "note") },
  (context, { id, version, ...patch }) => {
    existing(context, id);
    context.write.update(test, id, patch, version);
    return { message: "Test put right", id };
  },
);

/** How many are up by a day; the last count may end the test. */
const countTest = command(
  "test.count",
  {
    testId: ref("test", "Test"),
    up: testCount.columns.up,
    on: day("Counted on").optional(),
    last: test.columns.woken.as("This was the last count"),
  },
  (context, { testId, up, on: told, last }) => {
    const { db, write, today } = context;
    const { sown, lotId } = existing(context, testId, "testId");
    const on = told ?? today;
    const known = countsOf(db, testId).find((count) => count.on === on);
    if (known) write.update(testCount, known.id, { up });
    else write.insert(testCount, { testId, on, up });
    if (last) write.update(test, testId, { endedOn: on });
    const { code } = lotById(db, lotId)!;
    return { message: `Lot ${code}: ${up} of ${sown} up on ${dayInWords(on)}`, id: testId };
  },
);

const endTest = command("test.end", { ...which, on: day("Ended on").optional() }, (context, { id, version, on }) => {
  const { countedOn } = existing(context, id);
  if (!countedOn) refuse("id", "Count once first, be it none.");
  context.write.update(test, id, { endedOn: on ?? context.today }, version);
  return { message: "Test ended", id };
});

/** A test that was dropped, or spoilt: it never was. */
const dropTest = command("test.drop", which, (context, { id, version }) => {
  const { lotId } = existing(context, id);
  for (const count of countsOf(context.db, id)) context.write.remove(testCount, count.id);
  context.write.remove(test, id, version);
  return { message: `Test of lot ${lotById(context.db, lotId)!.code} struck out` };
});

export const testCommands = [setTest, changeTest, countTest, endTest, dropTest] as const;
