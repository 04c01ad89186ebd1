"use client";
import { Command } from "cmdk";
import { type ReactNode, useEffect, useState } from "react";
import { flushSync } from "react-dom";
import type { Place } from "./keysOn";
import { Over } from "./Over";

export type Hit = { kind: string; id: string; code: string | null; name: string; href: string };
/** Something to be done or looked at; `words` are what else it is called. */
export type Act = { label: string; words: string; href: string };

/** What begins with the words, then what holds all of them. */
function actsFor(typed: string, acts: Act[]): { first: Act[]; later: Act[] } {
  const words = typed.trim().toLowerCase().split(/\s+/).filter(Boolean);
  const fits = acts.filter(({ label, words: more }) => {
    const all = `${label} ${more}`.toLowerCase().split(/[^\p{L}\p{N}]+/u);
    return words.every((word) => all.some((one) => one.startsWith(word)));
  });
  const begins = ({ label }: Act) => label.toLowerCase().startsWith(words.join(" "));
  return { first: fits.filter(begins), later: fits.filter((act) => !begins(act)) };
}

type FinderProps = {
  places: Place[];
  acts: Act[];
  badge: (hit: Hit & { code: string }) => ReactNode;
  /** What was typed before the field was there. */
  typedAhead: () => string;
  onGo: (href: string) => void;
  onClose: () => void;
};

/** Anything by code, name, word or what to do. */
export function Finder({ places, acts, badge, typedAhead, onGo, onClose }: FinderProps) {
  const [words, setWords] = useState("");
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when the field is there
  useEffect(() => {
    const ahead = typedAhead();
    // Before the next key comes: what it makes of the field as it stands would take the place of these.
    if (ahead) queueMicrotask(() => flushSync(() => setWords((typed) => ahead + typed)));
  }, []);
  const [{ of, found: hits, slip }, setAnswer] = useState<{ of: string; found: Hit[]; slip?: string }>({
    of: "",
    found: [],
  });
  /** Another row than the first was chosen, by arrows or the pointer. */
  const [moved, setMoved] = useState(false);
  /** Enter that was pressed before the answer came goes where the answer leads. */
  const [waits, setWaits] = useState(false);
  const asked = words.trim();

  useEffect(() => {
    const stop = new AbortController();
    const wait = setTimeout(async () => {
      if (!asked) return setAnswer({ of: "", found: [] });
      try {
        const response = await fetch(`/api/find?q=${encodeURIComponent(asked)}`, { signal: stop.signal });
        setAnswer({ of: asked, ...((await response.json()) as { found: Hit[]; slip?: string }) });
      } catch (error) {
        if (!stop.signal.aborted) throw error;
      }
    }, 60);
    return () => {
      clearTimeout(wait);
      stop.abort();
    };
  }, [asked]);

  const screens: Act[] = places.map(({ label, href, key }) => ({ label, href, words: `g ${key}` }));
  const { first, later } = asked ? actsFor(asked, [...screens, ...acts]) : { first: [], later: [] };
  const answered = of === asked;
  const best = first[0]?.href ?? hits[0]?.href ?? later[0]?.href;
  useEffect(() => {
    if (waits && answered && best) onGo(best);
  });
  return (
    <Over
      title="Find anything"
      hideTitle
      onClose={onClose}
      className="fixed left-1/2 top-[10vh] z-40 w-[38rem] max-w-[94vw] -translate-x-1/2 border border-ink bg-leaf shadow-xl"
    >
      <Command
        shouldFilter={false}
        label="Find"
        onKeyDown={(event) => {
          if (/^(Arrow|Home$|End$|Page)/.test(event.key)) setMoved(true);
          // The list marks its first row a moment after it is drawn: until one is chosen, Enter means what was asked for.
          if (event.key !== "Enter" || moved || !asked) return;
          event.preventDefault();
          event.stopPropagation();
          setWaits(true);
        }}
      >
        <Command.Input
          value={words}
          onValueChange={(typed) => {
            setWords(typed);
            setWaits(false);
            setMoved(false);
          }}
          placeholder="Code, name, plant 17, a note, or what to do"
          className="border-0 border-b text-lg"
        />
        <Command.List className="max-h-[60vh] overflow-y-auto p-2" onPointerMove={() => setMoved(true)}>
          {asked && (
            <Command.Empty className="p-3 text-soft">{slip ?? "Nothing has that code, name or word."}</Command.Empty>
          )}
          {first.map((act) => (
            <ActRow key={act.label} act={act} onGo={onGo} />
          ))}
          {asked &&
            hits.map((hit) => (
              <Command.Item
                key={`${hit.kind}${hit.id}`}
                value={`${hit.kind}${hit.id}`}
                onSelect={() => onGo(hit.href)}
                className="flex min-h-11 cursor-pointer items-center gap-4 p-2 data-[selected=true]:bg-rule/60"
              >
                {hit.code && <span className="w-36 shrink-0">{badge({ ...hit, code: hit.code })}</span>}
                <span className="truncate">{hit.name}</span>
                <span className="ml-auto text-sm text-soft">{hit.kind}</span>
              </Command.Item>
            ))}
          {later.map((act) => (
            <ActRow key={act.label} act={act} onGo={onGo} />
          ))}
          {!asked && screens.map((act) => <ActRow key={act.href} act={act} keys={act.words} onGo={onGo} />)}
        </Command.List>
      </Command>
    </Over>
  );
}

function ActRow({ act, keys, onGo }: { act: Act; keys?: string; onGo: (href: string) => void }) {
  return (
    <Command.Item
      value={`go ${act.label}`}
      onSelect={() => onGo(act.href)}
      className="flex min-h-11 cursor-pointer items-center justify-between p-2 data-[selected=true]:bg-rule/60"
    >
      {act.label}
      {keys ? <kbd className="text-sm text-soft">{keys}</kbd> : <span className="text-sm text-soft">go</span>}
    </Command.Item>
  );
}
