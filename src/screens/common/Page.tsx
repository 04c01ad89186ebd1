import clsx from "clsx";
import type { ReactNode } from "react";
import { dayInWords } from "@/core/calendar/day";
import { BandLine } from "@/ui/BandLine";
import { type BandProps, SeasonBand } from "@/ui/SeasonBand";

type Props = {
  title: string;
  band: BandProps;
  /** The right page: why, and what else. */
  beside?: ReactNode;
  /** Whether the work reaches from edge to edge, in line with the band. */
  wide?: boolean;
  children: ReactNode;
};

/** The open book every screen is written in: the band of what it is about under the index, and two pages. */
export function Page({ title, band, beside, wide, children }: Props) {
  return (
    <>
      <header className="print:hidden">
        <div className="max-sm:hidden">
          <SeasonBand {...band} />
        </div>
        <BandLine {...band} />
      </header>
      <main
        id="work"
        className={clsx(
          "max-sm:pb-20",
          beside && "lg:grid lg:min-h-[60vh] lg:grid-cols-[minmax(0,1.9fr)_minmax(0,1fr)]",
        )}
      >
        <h1 className="sr-only">{title}</h1>
        <p className="hidden px-7 text-soft print:block">
          {band.place}, {dayInWords(band.today, "long")}
        </p>
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
