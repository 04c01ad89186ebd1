import Link from "next/link";

const TABS = [
  { href: "/crosses", label: "To do" },
  { href: "/crosses/plan", label: "Mothers and fathers" },
  { href: "/crosses/book", label: "Cross book" },
  { href: "/crosses/works", label: "What works here" },
] as const;

/** The pages about crosses. */
export const CrossTabs = ({ at }: { at: (typeof TABS)[number]["href"] }) => (
  <nav aria-label="Crosses" className="mb-5 print:hidden">
    <ul className="flex flex-wrap gap-x-5 gap-y-1">
      {TABS.map(({ href, label }) => (
        <li key={href}>
          <Link
            href={href}
            aria-current={href === at ? "page" : undefined}
            className="inline-block py-1.5 aria-[current=page]:font-bold aria-[current=page]:text-damson aria-[current=page]:no-underline"
          >
            {label}
          </Link>
        </li>
      ))}
    </ul>
  </nav>
);
