import { keepDaily } from "./db/backup";
import { settle, theDb } from "./db/open";

/** Between looks at the write-ahead log, and at whether the day's backup is there, ms. */
const SETTLE = 3_000;
const HOUR = 3_600_000;

/**
 * Opens the database, so that migrations run, or a refusal is said, before anyone is answered; then keeps it settled while
 * nothing is written, with a backup a day, and whole when the server is stopped.
 */
export function start(): void {
  try {
    const db = theDb();
    process.on("exit", () => db.close());
    setInterval(() => settle(db), SETTLE).unref();
    const today = () => new Date().toISOString().slice(0, 10);
    const daily = () =>
      keepDaily(db, today()).catch((failure: Error) => console.error(`No backup was made today: ${failure.message}`));
    void daily();
    setInterval(() => void daily(), HOUR).unref();
  } catch (error) {
    console.error(`\n${(error as Error).message}\n`);
    process.exit(1);
  }
}
