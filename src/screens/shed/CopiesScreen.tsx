import Link from "@/ui/Link";
import type { Copies } from "@/views/shed";
import { Page } from "../common/Page";
import { BringTogether } from "./BringTogether";

export function CopiesScreen({ band, merges }: Copies) {
  return (
    <Page
      title="Bring two copies together"
      band={band}
      beside={
        <>
          <h2>How it is done</h2>
          <ul className="mt-2 list-disc space-y-2 pl-5 text-soft">
            <li>What only one copy changed is taken as it is. Nothing that was recorded in either is dropped.</li>
            <li>Where both changed one thing, the later press holds. Both values are shown to you, with when.</li>
            <li>
              Two scores of one plant, or a thing that one copy took away and the other changed, are yours to decide.
            </li>
            <li>Nothing is written until you have seen it all. Then it is one entry of the history, with one Undo.</li>
          </ul>
          <h2 className="mt-8">Where the other copy comes from</h2>
          <p className="mt-2 text-soft">
            On the other machine open its <Link href="/shed">Shed</Link> and download a backup, with all pictures where
            there are some; or take the database file itself while that program is stopped. Bring this garden’s backup
            into the other one afterwards, and both are alike.
          </p>
          {merges.length > 0 && (
            <>
              <h2 className="mt-8">Brought in before</h2>
              <ul className="rows mt-2 border-y border-rule text-sm">
                {merges.map(({ id, at, summary, undone }) => (
                  <li key={id} className="py-2">
                    {at.slice(0, 10)}: {summary}
                    {undone ? ", taken back" : ""}
                  </li>
                ))}
              </ul>
              <Link href="/shed/history" className="mt-2 inline-block">
                To the history
              </Link>
            </>
          )}
        </>
      }
    >
      <h2 className="text-2xl">Bring two copies together</h2>
      <p className="mt-2 max-w-prose">
        A copy of the garden that was carried to another machine, and written on there, is brought together with this
        one.
      </p>
      <BringTogether />
    </Page>
  );
}
