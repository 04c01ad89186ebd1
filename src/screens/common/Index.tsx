"use client";
import { usePathname } from "next/navigation";
import Link from "@/ui/Link";
import { Find } from "./Find";
import { PLACES } from "./places";
import { Scan } from "./Scan";

/** The name and the index of the book, at one place and height on every screen. */
export function Index() {
  const path = usePathname();
  const first = path.split("/")[1];
  // The weeks ahead are a page of Today.
  const at = first === "weeks" ? "/" : `/${first}`;
  return (
    <nav aria-label="Main" className="flex items-end gap-x-6 border-b border-rule px-4 pt-3 sm:px-7 print:hidden">
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
  );
}
