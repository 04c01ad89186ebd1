import { dayInWords } from "@/core/calendar/day";
import Link from "@/ui/Link";
import type { Due } from "@/views/work";

/** What is to be done first, until when, and how much more there is. */
export const DueWork = ({ due: { what, last, more }, href }: { due: Due; href?: string }) => (
  <>
    {href ? (
      <Link href={href} className="font-semibold">
        {what}
      </Link>
    ) : (
      <strong>{what}</strong>
    )}
    {last && `, until ${dayInWords(last)}`}
    {more > 0 && <span className="text-soft"> and {more} more</span>}
  </>
);
