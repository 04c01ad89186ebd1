import type { ReactNode } from "react";

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
