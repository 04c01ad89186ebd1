import Link from "@/ui/Link";
import type { PlansPage } from "@/views/plans";
import { Page } from "../common/Page";
import { Tag } from "../common/Tag";
import { Plans } from "./Plans";

/** Ways of breeding laid side by side: what each takes, and what it is likely to reach. */
export function PlansScreen({ band, ...page }: PlansPage) {
  const { line } = page;
  return (
    <Page title={`Ways to breed ${line.name}`} band={band}>
      <p className="flex flex-wrap items-center gap-3 font-bold">
        <Tag kind="line" code={line.code} href={`/lines/${line.code}`} small />
        <span className="min-w-0 break-words">
          {line.name}, {line.speciesName.toLowerCase()}
        </span>
        <Link href={`/lines/${line.code}`} className="leaf leaf-plain">
          Back to the line
        </Link>
      </p>
      <Plans {...page} />
    </Page>
  );
}
