import Link from "next/link";
import { plural } from "@/core/units/plural";
import type { Regrow } from "@/views/regrow";
import { Tag } from "../common/Tag";
import { Row } from "./Part";

/** A line whose seed grows old and that nothing is sown of: what is lost, and where it is sown. */
export function RegrowRow({ line: { code, name, lot, why, gathered, age, shelf } }: { line: Regrow }) {
  return (
    <Row
      tag={<Tag kind="line" code={code} href={`/lines/${code}`} />}
      title={why === "next" ? `Sow ${name}, the next generation` : `Sow ${name} again`}
      said={
        <>
          <Link href={`/seed/${lot}`}>Lot {lot}</Link>. Its newest seed is of {gathered.slice(0, 4)}:{" "}
          {plural(age, "year")} of {shelf.low}–{shelf.high}, a rule of thumb.{" "}
          {age > shelf.high && <span className="font-bold text-rust">Past its time: test what still comes up.</span>}
        </>
      }
    >
      <Link className="leaf" href={`/seed/${lot}`}>
        To its seed
      </Link>
    </Row>
  );
}
