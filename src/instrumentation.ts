/** As the server starts. The build makes this file for a runtime without files too: there nothing is started. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME === "nodejs") (await import("./start")).start();
}
