import Link from "@/ui/Link";

type Props<H extends string> = { label: string; at: H; tabs: readonly { href: H; label: string }[] };

/** Pages that belong together, under one entry of the index. */
export const Tabs = <H extends string>({ label, at, tabs }: Props<H>) => (
  <nav aria-label={label} className="mb-5 print:hidden">
    <ul className="flex flex-wrap gap-x-5 gap-y-1">
      {tabs.map(({ href, label: words }) => (
        <li key={href}>
          <Link
            href={href}
            aria-current={href === at ? "page" : undefined}
            className="inline-block py-1.5 aria-[current=page]:font-bold aria-[current=page]:text-damson aria-[current=page]:no-underline"
          >
            {words}
          </Link>
        </li>
      ))}
    </ul>
  </nav>
);
