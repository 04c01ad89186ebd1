import { plural } from "@/core/units/plural";
import Link from "@/ui/Link";
import type { Works } from "@/views/works";
import { Page } from "../common/Page";
import { CrossTabs } from "./CrossTabs";
import { FactorChart } from "./charts";

/** Set rate against hour, warmth, bud, males and method, as the garden's own flowers tell. */
export function WorksScreen({ band, species, chosen, flowers, set, factors }: Works) {
  const findings = factors.flatMap((f) => (f.finding ? [{ title: f.title, words: f.finding }] : []));
  const told = factors.filter((f) => f.groups.length > 0);
  return (
    <Page
      title="What works here"
      band={band}
      beside={
        <>
          <h2>Read it so</h2>
          <p className="mt-2">
            A dot is the share of flowers that set, the bar the range that holds nine tenths of what it may be; a long
            bar means few flowers.
          </p>
          <p className="mt-2">
            Something is said in words only when the best group of ten flowers or more is above the worst with 95
            chances in 100, made stricter for every pair compared. It shows what goes together in this garden, not what
            causes what: the early hours may also be the cool ones.
          </p>
          <p className="mt-2">
            Flowers with a fault are left out. Air and heat are from your readings or the weather station where there
            are any, otherwise the usual for the day.
          </p>
        </>
      }
    >
      <CrossTabs at="/crosses/works" />
      {species.length === 0 ? (
        <p className="max-w-prose">
          No flower has been looked at yet. After the first are marked set or not set, what they have in common shows
          here.
        </p>
      ) : (
        <>
          <nav aria-label="Species" className="mb-4 flex flex-wrap gap-x-5">
            {species.map((s) => (
              <Link
                key={s.id}
                href={`/crosses/works?species=${s.id}`}
                aria-current={s.id === chosen ? "true" : undefined}
                className="py-1 aria-[current=true]:font-bold aria-[current=true]:no-underline"
              >
                {s.name} ({s.flowers})
              </Link>
            ))}
          </nav>
          <h2 className="text-2xl">
            {set} of {plural(flowers, "flower")} set
          </h2>
          {findings.length > 0 ? (
            <ul className="mt-2 space-y-1">
              {findings.map(({ title, words }) => (
                <li key={title} className="border-l-4 border-moss pl-3">
                  <strong>{title}.</strong> {words}
                </li>
              ))}
            </ul>
          ) : (
            <p className="mt-2 text-soft">No difference here is larger than chance yet.</p>
          )}
          <div className="mt-6 grid gap-x-10 gap-y-7 xl:grid-cols-2">
            {told.map((factor) => (
              <FactorChart key={factor.key} factor={factor} />
            ))}
          </div>
        </>
      )}
    </Page>
  );
}
