"use client";
import { ScanLine } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { offerTag, scannerEar } from "@/ui/handScanner";
import { later } from "@/ui/later";
import { SheetPanel } from "@/ui/Sheet";
import { say } from "@/ui/say";
import { useGo } from "@/ui/useGo";

const ScanWays = later(async () => (await import("./ScanWays")).ScanWays);

type Found = { found: { href: string; code: string; name: string }[]; slip?: string };

/** Finds a tag by camera, hand scanner or typing, and opens what it hangs on. */
export function Scan() {
  const go = useGo();
  const [open, setOpen] = useState(false);
  const [said, setSaid] = useState("");
  const openTag = async (code: string) => {
    setSaid("");
    // A page that has its own use for a tag, as the table has, takes it.
    if (offerTag(code)) {
      setOpen(false);
      return;
    }
    try {
      const response = await fetch(`/api/find?q=${encodeURIComponent(code)}`);
      const { found, slip } = (await response.json()) as Found;
      if (!found[0]) {
        const words = slip ?? `No tag ${code} is known here.`;
        setSaid(words);
        say({ message: words, tone: "error" });
        return;
      }
      setOpen(false);
      go(found[0].href);
    } catch {
      setSaid("The server did not answer; scan again when it does.");
    }
  };
  const latest = useRef(openTag);
  latest.current = openTag;
  useEffect(() => {
    const hear = scannerEar();
    const onKey = (event: KeyboardEvent) => {
      const code = hear(event.key, event.timeStamp);
      if (!code) return;
      event.preventDefault();
      void latest.current(code);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  return (
    <>
      <button
        type="button"
        className="leaf flex min-h-11 items-center"
        aria-label="Scan a tag"
        onClick={() => setOpen(true)}
      >
        <ScanLine aria-hidden size={22} />
      </button>
      {open && (
        <SheetPanel title="Scan a tag" onClose={() => setOpen(false)}>
          <ScanWays said={said} onCode={(code) => void openTag(code)} onScanner={() => setOpen(false)} />
        </SheetPanel>
      )}
    </>
  );
}
