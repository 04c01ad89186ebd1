import { notFound } from "next/navigation";

export type Search = Promise<Record<string, string | string[] | undefined>>;
export type IdParams = Promise<{ id: string }>;

/** A whole number of the address, or null. */
export function wholeNumber(text: string | string[] | undefined): number | null {
  return typeof text === "string" && /^\d{1,9}$/.test(text) ? Number(text) : null;
}

/** What an address names; the page of things not found when there is none. */
export async function byId<T>(params: IdParams, read: (id: number) => T | null): Promise<T> {
  const id = wholeNumber((await params).id);
  return (id === null ? null : read(id)) ?? notFound();
}
