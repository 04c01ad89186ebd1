import { type ComponentType, lazy } from "react";

/** So long it waits before it asks again, ms. */
const AGAIN = 2000;
/** A page is quiet when it has been read for so long, ms. */
export const QUIET = 5000;

let count = 0;
const waiting = new Set<() => void>();
/** How many pieces came so far. */
export const came = (): number => count;
/** Tells when one more came. */
export function onCame(listener: () => void): () => void {
  waiting.add(listener);
  return () => waiting.delete(listener);
}

/** What is fetched when it is asked for; while the server does not answer it is asked for again. */
export async function fetched<T>(load: () => Promise<T>): Promise<T> {
  for (;;) {
    try {
      const piece = await load();
      // Once whoever asked has it.
      setTimeout(() => {
        count++;
        for (const listener of waiting) listener();
      });
      return piece;
    } catch (error) {
      console.warn(error);
      await new Promise((next) => setTimeout(next, AGAIN));
    }
  }
}

const pieces = new Set<() => Promise<unknown>>();
let quiet: ReturnType<typeof setTimeout> | undefined;

/** Fetches what pieces of the page are still to come, one by one, so that they open at once, and out of the server's reach too. */
async function fetchRest(): Promise<void> {
  for (const load of pieces) {
    pieces.delete(load);
    // Out of reach by now: it is asked for again when it is opened.
    await load().catch(console.warn);
  }
}

/**
 * A piece of a page that is fetched when it is first drawn, as most pages are read without it, or once the page is quiet.
 * What is heavy and only to be looked at, as charts are, is not fetched ahead.
 */
export function later<P extends object>(load: () => Promise<ComponentType<P>>, { ahead = true } = {}) {
  if (ahead && typeof window !== "undefined") {
    pieces.add(load);
    clearTimeout(quiet);
    quiet = setTimeout(() => void fetchRest(), QUIET);
  }
  return lazy(async () => ({ default: await fetched(load) }));
}
