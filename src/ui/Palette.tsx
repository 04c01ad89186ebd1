"use client";
import { type ReactNode, useEffect, useRef } from "react";
import type { Act, Hit } from "./Finder";
import { type Place, useKeysOn } from "./keysOn";
import { later } from "./later";
import { Meanwhile } from "./Meanwhile";
import { useGo } from "./useGo";

// Fetched when first opened: most pages are read without.
const Finder = later(async () => (await import("./Finder")).Finder);
const Keys = later(async () => (await import("./Keys")).Keys);

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

type Props = {
  open: "find" | "keys" | null;
  onOpen: (what: "find" | "keys" | null) => void;
  places: Place[];
  acts: Act[];
  badge: (hit: Hit & { code: string }) => ReactNode;
};

/** Finds anything by code, name or word, and answers the keyboard: `/` finds, `g` and a letter goes, `?` shows the keys. */
export function Palette({ open, onOpen, places, acts, badge }: Props) {
  const go = useGo();
  const [keysOn] = useKeysOn();
  const latest = useRef({ onOpen, go, places });
  latest.current = { onOpen, go, places };

  /** Keys that come before the field has been fetched; null once it is there. */
  const ahead = useRef<string | null>(null);

  useEffect(() => {
    let going = false;
    const find = () => {
      ahead.current = "";
      latest.current.onOpen("find");
    };
    const onKey = (event: globalThis.KeyboardEvent) => {
      const { onOpen, go, places } = latest.current;
      if (event.key.toLowerCase() === "k" && (event.ctrlKey || event.metaKey)) {
        event.preventDefault();
        find();
        return;
      }
      if (ahead.current !== null && event.key.length === 1 && !event.ctrlKey && !event.metaKey) {
        event.preventDefault();
        ahead.current += event.key;
        return;
      }
      if (!keysOn || typing(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key === "/") {
        event.preventDefault();
        find();
      } else if (event.key === "?") onOpen("keys");
      else if (going) {
        const place = places.find((p) => p.key === event.key);
        if (place) go(place.href);
      }
      going = event.key === "g";
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [keysOn]);

  const close = () => {
    ahead.current = null;
    onOpen(null);
  };
  /** What was typed before the field was there, once. */
  const typedAhead = () => {
    const words = ahead.current ?? "";
    ahead.current = null;
    return words;
  };
  const goTo = (href: string) => {
    close();
    go(href);
  };
  if (!open) return null;
  return (
    <Meanwhile>
      {open === "find" ? (
        <Finder places={places} acts={acts} badge={badge} typedAhead={typedAhead} onGo={goTo} onClose={close} />
      ) : (
        <Keys places={places} onClose={close} />
      )}
    </Meanwhile>
  );
}
