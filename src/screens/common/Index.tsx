"use client";
import { CalendarDays, Flower2, Map as MapIcon, Menu, Search } from "lucide-react";
import { usePathname } from "next/navigation";
import { type ReactNode, useState } from "react";
import Link from "@/ui/Link";
import { SheetPanel } from "@/ui/Sheet";
import { useGo } from "@/ui/useGo";
import { Find } from "./Find";
import { PLACES } from "./places";
import { Scan } from "./Scan";

/** The weeks ahead are a page of Today; all else stands under its place. */
function placeOf(path: string): string {
  const first = path.split("/")[1];
  return first === "weeks" ? "/" : `/${first}`;
}

/** The name and the index of the book, at the top at one height on every screen; on the phone a bar at the bottom. */
export function Index() {
  const path = usePathname();
  const at = placeOf(path);
  const [open, setOpen] = useState<"find" | "keys" | "more" | null>(null);
  return (
    <>
      <nav
        aria-label="Main"
        className="sticky top-0 z-20 flex h-14 items-end gap-x-6 border-b border-rule bg-paper px-7 max-md:gap-x-3 max-md:px-4 max-sm:hidden print:hidden"
      >
        <Link href="/" className="pb-3 font-head text-xl font-bold no-underline max-lg:hidden">
          Nimble Orchard
        </Link>
        <ul className="flex min-w-0 gap-x-6 overflow-x-auto max-md:gap-x-3 max-md:text-sm">
          {PLACES.map((place) => (
            <li key={place.href}>
              <Link
                href={place.href}
                aria-current={place.href === at ? "page" : undefined}
                className="block border-b-[3px] border-transparent py-3 font-semibold text-soft no-underline hover:text-ink aria-[current=page]:border-damson aria-[current=page]:text-damson"
              >
                {place.label}
              </Link>
            </li>
          ))}
        </ul>
        <span className="ml-auto flex shrink-0 items-center gap-4 self-center">
          <Scan />
          <button
            type="button"
            onClick={() => setOpen("find")}
            className="flex min-h-11 items-center gap-2 text-soft hover:text-ink"
          >
            <span className="max-xl:sr-only">Find anything</span>
            <kbd className="rounded border border-rule px-1.5 text-sm">/</kbd>
          </button>
        </span>
      </nav>
      <nav
        aria-label="Main"
        className="fixed inset-x-0 bottom-0 z-20 grid grid-cols-5 border-t border-ink bg-paper pb-[env(safe-area-inset-bottom)] sm:hidden print:hidden"
      >
        <BarLink href="/" label="Today" here={at === "/"} icon={<CalendarDays aria-hidden size={22} />} />
        <BarLink href="/round" label="Round" here={false} icon={<Flower2 aria-hidden size={22} />} />
        <BarButton label="Find" onPress={() => setOpen("find")} icon={<Search aria-hidden size={22} />} />
        <BarLink href="/ground" label="Beds" here={at === "/ground"} icon={<MapIcon aria-hidden size={22} />} />
        <BarButton
          label="More"
          here={at !== "/" && at !== "/ground"}
          onPress={() => setOpen("more")}
          icon={<Menu aria-hidden size={22} />}
        />
      </nav>
      {open === "more" && <More at={at} onClose={() => setOpen(null)} />}
      <Find open={open === "more" ? null : open} onOpen={setOpen} />
    </>
  );
}

const BAR = "flex min-h-14 flex-col items-center justify-center gap-0.5 text-xs font-semibold no-underline";
const tone = (here: boolean) => (here ? "text-damson" : "text-soft");

function BarLink({ href, label, here, icon }: { href: string; label: string; here: boolean; icon: ReactNode }) {
  return (
    <Link href={href} aria-current={here ? "page" : undefined} className={`${BAR} ${tone(here)}`}>
      {icon}
      {label}
    </Link>
  );
}

type BarButtonProps = { label: string; here?: boolean; icon: ReactNode; onPress: () => void };

function BarButton({ label, here = false, icon, onPress }: BarButtonProps) {
  return (
    <button type="button" aria-haspopup="dialog" onClick={onPress} className={`${BAR} ${tone(here)}`}>
      {icon}
      {label}
    </button>
  );
}

/** Every screen, for a thumb; and the tag in hand. */
function More({ at, onClose }: { at: string; onClose: () => void }) {
  const go = useGo();
  return (
    <SheetPanel title="Nimble Orchard" onClose={onClose}>
      <div className="mb-4 flex items-center gap-3">
        <Scan />
        <span className="text-sm text-soft">Scan a tag, and what it hangs on opens.</span>
      </div>
      <ul className="rows border-y border-rule">
        {[...PLACES, { href: "/weeks", label: "The weeks ahead" }].map(({ href, label }) => (
          <li key={href}>
            <Link
              href={href}
              aria-current={href === at ? "page" : undefined}
              onClick={(event) => {
                event.preventDefault();
                onClose();
                go(href);
              }}
              className="flex min-h-12 items-center text-lg font-semibold no-underline aria-[current=page]:text-damson"
            >
              {label}
            </Link>
          </li>
        ))}
      </ul>
    </SheetPanel>
  );
}
