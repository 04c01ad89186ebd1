/** As the server starts: opens the database, so that migrations run, or a refusal is said, before anyone is answered. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  const { theDb } = await import("./db/open");
  try {
    theDb();
  } catch (error) {
    console.error(`\n${(error as Error).message}\n`);
    process.exit(1);
  }
}
