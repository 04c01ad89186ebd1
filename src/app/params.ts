import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { isSeason } from "@/core/climate/season";
import { readCode } from "@/core/custody/code";
import type { AskedOfList } from "@/core/lists/listed";
import { theDb } from "@/db/open";
import { namedByCode } from "@/records/find/queries";
import { type Outlook, outlookKept } from "@/views/outlook";
import { dayOfRequest, here } from "./here";

export type Search = Promise<Record<string, string | string[] | undefined>>;
export type CodeParams = Promise<{ code: string }>;

/** A whole number of the address, or null. */
export function wholeNumber(text: string | string[] | undefined): number | null {
  return typeof text === "string" && /^\d{1,9}$/.test(text) ? Number(text) : null;
}

/** A season of the address; null for none, or for one that no garden can have. */
export function seasonAsked(text: string | string[] | undefined): number | null {
  const season = wholeNumber(text);
  return season !== null && isSeason(season) ? season : null;
}

/** The outlook of a request to the api, and the season that its address asks for. */
export const askedOf = (request: Request) => ({
  sky: outlookKept(theDb(), dayOfRequest(request)),
  season: seasonAsked(new URL(request.url).searchParams.get("season") ?? undefined),
});

/** One word of the address, or null. */
export const oneWord = (text: string | string[] | undefined): string | null =>
  typeof text === "string" && text.length <= 60 ? text : null;

/** What an address asks of a list. */
export async function askedOfList(search: Search): Promise<AskedOfList> {
  const { q, show, by, from } = await search;
  return { words: oneWord(q) ?? "", show: oneWord(show), by: oneWord(by), from: wholeNumber(from) };
}

/** The code of an address as it stands on the tag, however it was typed. */
export function codeAsked(text: string | string[] | undefined): string | null {
  const word = oneWord(text);
  if (!word) return null;
  const read = readCode(word);
  return read.ok ? read.code : null;
}

/** The title of a page that is about one thing with a tag: its code and its name, so that tabs and the history tell them apart. */
export function titledByCode(kind: string) {
  return async ({ params }: { params: CodeParams }): Promise<Metadata> => {
    const code = codeAsked((await params).code);
    const name = code && namedByCode(theDb(), code);
    return { title: name ? `${code} ${name}` : kind };
  };
}

/** What an address names by its tag's code; the page of things not found when there is none. */
export async function byCode<T>(params: CodeParams, view: (sky: Outlook, code: string) => T | null): Promise<T> {
  const code = codeAsked((await params).code);
  return (code === null ? null : view(await here(), code)) ?? notFound();
}
