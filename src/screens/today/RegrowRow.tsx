import { timesInTen } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
import Link from "@/ui/Link";
import type { Regrow } from "@/views/regrow";
import { CommandButton } from "../common/command";
import { Row } from "../common/Part";
import { SowNext } from "../common/SowNext";
import { byMothers } from "../common/sowWords";
import { Tag } from "../common/Tag";
import { linesFromIt, rangeInHundred } from "../common/words";

/** A line whose seed grows old and that nothing is sown of: what is lost, and where it is sown. */
export function RegrowRow({ line }: { line: Regrow }) {
  const { lineId, code, name, lot, why, gathered, germination, state, stake, plants, rests, planned } = line;
  return (
    <Row
      tag={<Tag kind="line" code={code} href={`/lines/${code}`} />}
      title={why === "next" ? `Sow ${name}, the next generation` : `Sow ${name} again`}
      said={
        <>
          {planned && `${byMothers(planned)}. `}
          <Link href={`/seed/${lot}`}>Lot {lot}</Link> of {gathered.slice(0, 4)}: {rangeInHundred(germination)} come up.{" "}
          {why === "old" && (
            <>
              {plural(plants, "plant")} come of it {timesInTen(stake.now)} this year, {timesInTen(stake.later)} the
              next.{rests > 0 && ` ${linesFromIt(rests)}`}{" "}
            </>
          )}
          {(state === "failing" || state === "dead") && <span className="font-bold text-rust">Under your limit.</span>}
        </>
      }
    >
      <span className="flex flex-wrap justify-end gap-2">
        <SowNext line={code} trigger="Sow" />
        <CommandButton
          command="deed.leave"
          input={{ lineId, act: "regrow", how: "cannot" }}
          plain
          label={`Not this season: ${name}`}
        >
          Not this season
        </CommandButton>
      </span>
    </Row>
  );
}
