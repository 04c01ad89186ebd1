import Link from "next/link";
import type { ReactNode } from "react";
import { type BandProps, SeasonBand } from "@/ui/SeasonBand";
import { StandsOn } from "@/ui/StandsOn";
import { Find } from "./Find";
import { PLACES } from "./places";
import { Scan } from "./Scan";

type Props = {
  at: (typeof PLACES)[number]["href"];
  title: string;
  band: BandProps;
  /** The right page: why, and what else. */
  beside?: ReactNode;
  /** Whether the work reaches from edge to edge, in line with the band. */
  wide?: boolean;
  children: ReactNode;
};

/** The open book every screen is written in: the band above, the index below it, two pages. */
export function Page({ at, title, band, beside, wide, children }: Props) {
  return (
    <>
      <a href="#work" className="leaf absolute left-2 top-2 z-50 -translate-y-20 bg-leaf focus:translate-y-0">
        To the work
      </a>
      <header>
        <div className="max-sm:hidden">
          <SeasonBand {...band} />
        </div>
        <nav aria-label="Main" className="print:hidden flex items-end gap-x-6 border-b border-rule px-4 pt-3 sm:px-7">
          <Link href="/" className="pb-2 font-head text-xl font-bold no-underline max-lg:hidden">
            Nimble Orchard
          </Link>
          <ul className="flex min-w-0 gap-x-5 overflow-x-auto sm:gap-x-6">
            {PLACES.map((place) => (
              <li key={place.href}>
                <Link
                  href={place.href}
                  aria-current={place.href === at ? "page" : undefined}
                  className="block border-b-[3px] border-transparent py-2 font-semibold text-soft no-underline hover:text-ink aria-[current=page]:border-damson aria-[current=page]:text-damson"
                >
                  {place.label}
                </Link>
              </li>
            ))}
          </ul>
          <div className="ml-auto shrink-0 pb-2">
            <span className="flex items-center gap-4">
              <Scan />
              <Find />
            </span>
          </div>
        </nav>
        {band.pinned && <StandsOn day={band.today} look={band.look} className="mx-4 mt-3 sm:hidden" />}
      </header>
      <main id="work" className={beside ? "lg:grid lg:min-h-[60vh] lg:grid-cols-[minmax(0,1.9fr)_minmax(0,1fr)]" : ""}>
        <h1 className="sr-only">{title}</h1>
        <div className={wide ? "py-6" : "px-4 py-6 sm:px-7"}>{children}</div>
        {beside && (
          <aside
            aria-label="Why and what else"
            className="border-rule bg-leaf px-4 py-6 max-lg:border-t sm:px-7 lg:border-l"
          >
            {beside}
          </aside>
        )}
      </main>
    </>
  );
}
