import { dayInWords } from "@/core/calendar/day";
import Link from "@/ui/Link";
import type { SeedTask } from "@/views/seedCalls";
import { Row } from "../common/Part";
import { Tag } from "../common/Tag";

/** What the table or the drawer calls for; it is done on Seed. */
export function SeedRow({ task: { code, title, until, late } }: { task: SeedTask }) {
  return (
    <Row
      tag={code ? <Tag kind="lot" code={code} href={`/seed/${code}`} /> : "Place"}
      title={title}
      said={
        until ? (
          <span className={late ? "font-bold text-rust" : ""}>
            {late ? "It may be too late since" : "Until"} {dayInWords(until)}.
          </span>
        ) : (
          "When you come by."
        )
      }
    >
      <Link className="leaf" href="/seed">
        To the table
      </Link>
    </Row>
  );
}
