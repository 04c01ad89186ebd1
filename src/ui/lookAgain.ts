/**
 * Draws the page anew where the server is there to do it: with it away the browser would turn the page instead, and what is
 * on it would be gone.
 */
export async function lookAgain(router: { refresh: () => void }): Promise<void> {
  const there = await fetch("/api/compute").then(
    ({ ok }) => ok,
    () => false,
  );
  if (there) router.refresh();
}
