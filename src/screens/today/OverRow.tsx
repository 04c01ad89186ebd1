import { dayInWords } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { plural } from "@/core/units/plural";
import type { CrossTask } from "@/views/crossTasks";
import type { CrossState } from "@/views/pollination";
import { CommandButton } from "../common/command";
import { parentsInWords } from "../common/crossWords";
import { Row } from "../common/Part";
import { Tag } from "../common/Tag";
import { missedOf } from "./words";

/** A cross whose flowering is over: what came of it, and one press that puts it away. */
export function OverRow({ state, day }: { state: CrossState; day: string }) {
  const { cross, tally, over } = state;
  const { id, version } = cross;
  const waiting = tally.waiting + tally.covered;
  const fruit = tally.set + waiting > 0;
  return (
    <Row
      tag={<Tag kind="cross" code={cross.code} href={`/crosses/${cross.code}`} />}
      title={
        <>
          {tally.set} of {plural(cross.fruitsWanted, "fruit")} set{waiting > 0 && `, ${waiting} not known yet`}
        </>
      }
      said={
        <>
          {parentsInWords(cross)}. Its flowering is over since {dayInWords(over!)}.{" "}
          {fruit ? "Its fruit is still asked after here until it is in." : "Nothing came of it; another year."}
        </>
      }
    >
      {fruit ? (
        <CommandButton
          command="cross.adjust"
          input={{ id, version, overOn: day }}
          label={`No more flowers: ${cross.code}`}
        >
          No more flowers
        </CommandButton>
      ) : (
        <CommandButton
          command="cross.adjust"
          input={{ id, version, overOn: day, closed: 1 }}
          label={`Close ${cross.code}`}
        >
          Close it
        </CommandButton>
      )}
    </Row>
  );
}

/** What is past is asked once, all together: flowers that nobody pollinated, and fruits that nobody looked after. */
export function AllMissed({ late }: { late: CrossTask[] }) {
  const { flowers, fruits } = missedOf(late);
  const press = (flowerIds: Id[], one: string, many: (count: number) => string) => {
    if (flowerIds.length === 0) return null;
    return (
      <CommandButton command="flower.missed" input={{ flowerIds: flowerIds.slice(0, MOST) }}>
        {flowerIds.length === 1 ? one : many(Math.min(MOST, flowerIds.length))}
      </CommandButton>
    );
  };
  return (
    <span className="flex flex-wrap gap-3">
      {press(flowers, "The flower was missed", (count) => `All ${count} flowers were missed`)}
      {press(fruits, "Nothing came of the fruit", (count) => `Nothing came of these ${count} fruits`)}
    </span>
  );
}

/** So many are written down at once. */
const MOST = 500;
