import type { ReactNode } from "react";

/** A row of a part: its tag, what is said, and its presses; on the phone the tag stands above. */
export const row =
  "grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 gap-y-2 py-3 sm:grid-cols-[9rem_minmax(0,1fr)_auto]";

type Props = { title: string; when: string; label?: string; children: ReactNode };

/** A part of the day, or of what is to come: its name, when it is, and its rows. */
export const Part = ({ title, when, label = title, children }: Props) => (
  <section className="mb-8 grid gap-x-5 sm:grid-cols-[7.5rem_minmax(0,1fr)]" aria-label={label}>
    <div>
      <h2>{title}</h2>
      <p className="text-sm text-soft">{when}</p>
    </div>
    <ul className="rows border-t border-ink">{children}</ul>
  </section>
);
