import { dayInWords } from "@/core/calendar/day";
import { nameWithGeneration } from "@/core/custody/generation";
import type { OpenTasting } from "@/records/tasting/queries";
import Link from "@/ui/Link";
import { Row } from "../common/Part";
import { Tag } from "../common/Tag";

/** A tasting that is open: how much of it was tasted, and where its sheets are. */
export function TastingRow({ tasting }: { tasting: OpenTasting }) {
  const { id, code, yardstick, heldOn, tasters, servings, tasted } = tasting;
  const all = servings * tasters;
  const href = `/nursery/${code}/tasting?of=${id}`;
  return (
    <Row
      tag={<Tag kind="family" code={code} href={href} />}
      title={`${nameWithGeneration(tasting)}: ${yardstick} blind`}
      said={`Since ${dayInWords(heldOn)}; ${tasted} of ${all} tasted${tasted >= all ? ": close it, and its scores count" : ""}.`}
    >
      <Link className="leaf" href={href}>
        {tasted >= all ? "Close it" : "Taste"}
      </Link>
    </Row>
  );
}
