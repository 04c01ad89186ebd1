"use client";
import { Command } from "cmdk";
import { useRouter } from "next/navigation";
import { Dialog } from "radix-ui";
import { type ReactNode, useEffect, useState } from "react";

export type Hit = { kind: string; id: string; code: string; name: string; href: string };
type Props = { places: { href: string; label: string; key: string }[]; badge: (hit: Hit) => ReactNode };

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** Finds anything by code or name, and answers the keyboard: `/` finds, `g` and a letter goes, `?` shows the keys. */
export function Palette({ places, badge }: Props) {
  const router = useRouter();
  const [open, setOpen] = useState<"find" | "keys" | null>(null);
  const [words, setWords] = useState("");
  const [{ found: hits, slip }, setAnswer] = useState<{ found: Hit[]; slip?: string }>({ found: [] });

  useEffect(() => {
    let going = false;
    const onKey = (event: globalThis.KeyboardEvent) => {
      if (event.key.toLowerCase() === "k" && (event.ctrlKey || event.metaKey)) {
        event.preventDefault();
        setOpen("find");
        return;
      }
      if (typing(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key === "/") {
        event.preventDefault();
        setOpen("find");
      } else if (event.key === "?") setOpen("keys");
      else if (going) {
        const place = places.find((p) => p.key === event.key);
        if (place) router.push(place.href);
      }
      going = event.key === "g";
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [places, router]);

  useEffect(() => {
    const stop = new AbortController();
    const wait = setTimeout(async () => {
      if (words.trim().length < 1) return setAnswer({ found: [] });
      try {
        const response = await fetch(`/api/find?q=${encodeURIComponent(words)}`, { signal: stop.signal });
        setAnswer((await response.json()) as { found: Hit[]; slip?: string });
      } catch (error) {
        if (!stop.signal.aborted) throw error;
      }
    }, 90);
    return () => {
      clearTimeout(wait);
      stop.abort();
    };
  }, [words]);

  const go = (href: string) => {
    setOpen(null);
    setWords("");
    router.push(href);
  };

  return (
    <>
      <button
        type="button"
        onClick={() => setOpen("find")}
        className="flex items-center gap-2 text-soft hover:text-ink"
      >
        <span className="max-sm:sr-only">Find a tag or a name</span>
        <kbd className="rounded border border-rule px-1.5 text-sm">/</kbd>
      </button>
      <Dialog.Root open={open === "find"} onOpenChange={(now) => setOpen(now ? "find" : null)}>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 z-30 bg-black/40" />
          <Dialog.Content
            aria-describedby={undefined}
            className="fixed left-1/2 top-[10vh] z-40 w-[38rem] max-w-[94vw] -translate-x-1/2 border border-ink bg-leaf shadow-xl"
          >
            <Dialog.Title className="sr-only">Find a tag or a name</Dialog.Title>
            <Command shouldFilter={false} label="Find">
              <Command.Input
                value={words}
                onValueChange={setWords}
                placeholder="Code, name, or name and plant number"
                className="border-0 border-b text-lg"
              />
              <Command.List className="max-h-[60vh] overflow-y-auto p-2">
                <Command.Empty className="p-3 text-soft">
                  {slip ??
                    (words.trim() ? "Nothing has that code or name." : "Type a code from a tag, or part of a name.")}
                </Command.Empty>
                {hits.map((hit) => (
                  <Command.Item
                    key={`${hit.kind}${hit.id}`}
                    value={`${hit.kind}${hit.id}`}
                    onSelect={() => go(hit.href)}
                    className="flex cursor-pointer items-center gap-4 p-2 data-[selected=true]:bg-rule/60"
                  >
                    <span className="w-40 shrink-0">{badge(hit)}</span>
                    <span className="truncate">{hit.name}</span>
                    <span className="ml-auto text-sm text-soft">{hit.kind}</span>
                  </Command.Item>
                ))}
                {!words.trim() &&
                  places.map((place) => (
                    <Command.Item
                      key={place.href}
                      value={place.href}
                      onSelect={() => go(place.href)}
                      className="flex cursor-pointer justify-between p-2 data-[selected=true]:bg-rule/60"
                    >
                      {place.label}
                      <kbd className="text-sm text-soft">g {place.key}</kbd>
                    </Command.Item>
                  ))}
              </Command.List>
            </Command>
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
      <Dialog.Root open={open === "keys"} onOpenChange={(now) => setOpen(now ? "keys" : null)}>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 z-30 bg-black/40" />
          <Dialog.Content
            aria-describedby={undefined}
            className="fixed left-1/2 top-[8vh] z-40 max-h-[84vh] w-[30rem] max-w-[94vw] -translate-x-1/2 overflow-y-auto border border-ink bg-leaf p-6 shadow-xl"
          >
            <Dialog.Title className="text-2xl">Keys</Dialog.Title>
            <KeyTable places={places} />
            <Dialog.Close className="leaf mt-4">Close</Dialog.Close>
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </>
  );
}

function KeyTable({ places }: Pick<Props, "places">) {
  const rows: [string, string][] = [
    ["/ or Ctrl K", "Find a tag or a name"],
    ["?", "This sheet"],
    ...places.map((p): [string, string] => [`g ${p.key}`, p.label]),
    ["← →", "On the band's stake: a day back or on; Enter sets it"],
    ["← ↑ → ↓", "On a bed: move it by half a metre; with Shift by five"],
    ["Enter ↓ ↑", "In a score: next plant, plant above"],
    ["k s w o", "On a plant: keep, seed parent, watch, out"],
  ];
  return (
    <table className="ruled mt-3 w-full">
      <tbody>
        {rows.map(([key, what]) => (
          <tr key={key}>
            <th scope="row" className="w-32 whitespace-nowrap">
              <kbd>{key}</kbd>
            </th>
            <td>{what}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
