import { groupBy } from "@/core/lists/groupBy";
import { Refusal } from "@/db/ops";
import { command } from "../command";
import { DAY_ORDERS } from "../csvFile";
import { choice, yesNo } from "../record";
import { fileText } from "../schema";
import { allStands } from "../stand/queries";
import { readBook } from "./bookFile";
import { Intake } from "./intake";

/** So many troubles are told; a file with more is faulty from the start. */
const TOLD = 200;

/**
 * Takes in a cross book's file, all or nothing. A line that is as the record is changes nothing; new flowers and new
 * crosses are added. Every faulty line is named; a dry run says what would change.
 */
export const importBook = command(
  "cross.import",
  {
    text: fileText("File", 2_500_000, "The file is larger than two and a half megabytes."),
    order: choice("In days, first comes", DAY_ORDERS).optional(),
    dryRun: yesNo("Only look"),
  },
  (context, { text, order, dryRun }) => {
    const { lines, ignored } = readBook(text, context.today, { order });
    const stands = allStands(context.db);
    const season = Math.max(
      0,
      ...stands.filter((s) => s.planned === 0 && s.sown <= context.today).map((s) => s.season),
    );
    const ofSeason = stands.filter((s) => s.season === season);
    const byLine = groupBy(ofSeason, (s) => s.lineName.toLowerCase());
    const intake = new Intake(context, new Map(stands.map((s) => [s.code, s])), byLine);
    for (const line of lines) intake.take(line);
    const { changes, troubles } = intake;
    if (troubles.length > 0)
      throw new Refusal(
        `${troubles.length} of ${lines.length} lines can't be taken in. Nothing was changed.`,
        Object.fromEntries(troubles.slice(0, TOLD).map((t) => [`line ${t.line}`, t.message])),
      );
    const summary = changes.length === 0 ? "Nothing differs from the book" : `${changes.length} changes from a file`;
    if (dryRun)
      throw new Refusal(
        changes.length === 0 ? `${summary}.` : `Would be taken in: ${changes.length} changes.`,
        Object.fromEntries([
          ...ignored.map((name) => [`column ${name}`, "is not one of a cross book's and is not read"]),
          ...changes.slice(0, TOLD).map((words, i) => [`change ${i + 1}`, words]),
        ]),
        "dry-run",
      );
    const warnings = ignored.length > 0 ? [`No column of a cross book's, not read: ${ignored.join(", ")}.`] : [];
    return { message: summary, ids: [], warnings };
  },
  ["garden", "line", "lot", "stand", "plant", "cross", "flower", "candidate", "normal", "reading"],
);
