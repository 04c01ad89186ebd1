import type { ReactNode } from "react";

type RowProps = { tag: ReactNode; title: ReactNode; said: ReactNode; children?: ReactNode };

/** A row of a part: its tag (or a word for what has none), what is said, and its presses; on the phone the tag stands above. */
export const Row = ({ tag, title, said, children }: RowProps) => (
  <li className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-3 gap-y-1 py-2 sm:py-1 sm:grid-cols-[8.25rem_minmax(0,1fr)_auto]">
    <span className={typeof tag === "string" ? "text-sm text-soft max-sm:hidden" : "max-sm:col-span-2"}>{tag}</span>
    <span>
      <span className="font-semibold">{title}</span>
      <span className="block text-sm text-soft">{said}</span>
    </span>
    {children}
  </li>
);

type Props = { title: string; when: ReactNode; label?: string; children: ReactNode };

/** A part of the day, or of what is to come: its name, when it is, and its rows. */
export const Part = ({ title, when, label = title, children }: Props) => (
  <section className="mb-3" aria-label={label}>
    <div className="flex flex-wrap items-baseline gap-x-3">
      <h2>{title}</h2>
      <p className="text-sm text-soft">{when}</p>
    </div>
    <ul className="rows border-t border-ink">{children}</ul>
  </section>
);
