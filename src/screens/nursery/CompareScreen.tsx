import { dayInWords } from "@/core/calendar/day";
import { generationName } from "@/core/custody/generation";
import type { Correlation } from "@/core/selection/correlation";
import { failsAim } from "@/core/selection/ranking";
import { kindOf } from "@/core/traits/kinds";
import { plural } from "@/core/units/plural";
import { fixed } from "@/core/writing/numbers";
import Link from "@/ui/Link";
import { Table } from "@/ui/Table";
import type { Compared, Comparison } from "@/views/compare";
import { Page } from "../common/Page";
import { PictureRow } from "../common/Pictures";
import { MARKS } from "../common/standNames";
import { Tag } from "../common/Tag";
import { percent, sentence } from "../common/words";
import { AgainstChart } from "./charts";
import { Inheritance } from "./Inheritance";
import { Leaning } from "./Leaning";
import { Strip } from "./Strip";
import { unitOf, wantedInWords } from "./yardstickWords";

/** A family beside its sisters, its parents and the generation before. */
export function CompareScreen(view: Comparison) {
  const { stand, compared, against, measured, chosen, band } = view;
  const shown = compared.filter(({ groups }) => groups.length > 0);
  return (
    <Page
      title={`Compare ${stand.code}`}
      band={band}
      beside={
        <>
          {against && <Against view={view} against={against} measured={measured} />}
          <p className="mt-6 text-sm text-soft">
            Every dot is a plant. Green is what is wanted, the broken line what puts a plant out, the dark stroke each
            group’s mean. Parents that stood in the same season are the fairest measure; other seasons had other
            weather.
          </p>
        </>
      }
    >
      <div className="mb-3 flex flex-wrap items-center gap-4">
        <Tag kind="family" code={stand.code} href={`/nursery/${stand.code}`} />
        <Link href={`/nursery/${stand.code}`} className="leaf leaf-plain">
          Back to the bench
        </Link>
      </div>
      <h2 className="mb-4 text-2xl">
        {stand.lineName} {generationName(stand.generation, stand.backcrosses)} beside its kin
      </h2>
      {shown.length === 0 ? (
        <p className="max-w-prose">
          Nothing was scored yet, of this family or of its kin. <Link href={`/nursery/${stand.code}`}>Score it</Link>{" "}
          first.
        </p>
      ) : (
        shown.map((one) => <OfYardstick key={one.yardstick.id} {...one} />)
      )}
      <Inheritance inheritance={view.inheritance} stand={stand} head={view.head} />
      {view.leanings.list.length > 0 && <Leaning leanings={view.leanings} />}
      {chosen.length > 0 && <SideBySide view={view} />}
      {view.days.length > 0 && <OverTime view={view} />}
    </Page>
  );
}

function OfYardstick({ yardstick, groups }: Compared) {
  const unit = unitOf(yardstick);
  return (
    <section className="mb-7" aria-label={yardstick.name}>
      <h3>
        {yardstick.name}
        {unit && <span className="font-normal text-soft">, {unit}</span>}
      </h3>
      <p className="mb-1 text-sm text-soft">{sentence(wantedInWords(yardstick))}</p>
      {groups.some(({ values }) => values.length > 0) ? (
        <Strip yardstick={yardstick} groups={groups} />
      ) : (
        <ul className="max-w-3xl">
          {groups.map(({ name, kind, words }) => {
            const all = words.reduce((sum, { count }) => sum + count, 0);
            return (
              <li key={`${kind} ${name}`} className="grid grid-cols-[12rem_1fr] gap-3 py-1 max-sm:grid-cols-1">
                <span className={kind === "family" ? "font-bold" : ""}>{name}</span>
                <span>
                  {words
                    .map(({ word, count }) =>
                      count === all ? `all ${word} (${count})` : `${word} ${percent(count / all)} (${count})`,
                    )
                    .join(", ")}
                </span>
              </li>
            );
          })}
        </ul>
      )}
    </section>
  );
}

type AgainstProps = { view: Comparison; against: NonNullable<Comparison["against"]>; measured: Comparison["measured"] };

function Against({ view, against, measured }: AgainstProps) {
  const { x, y, points, correlation } = against;
  const chosen = view.chosen.map(({ number }) => number).join(",");
  return (
    <section aria-label="Two against each other">
      <h2>Two against each other</h2>
      <form method="get" className="mt-2 flex flex-wrap items-end gap-3">
        {(
          [
            ["x", x],
            ["y", y],
          ] as const
        ).map(([name, of]) => (
          <label key={name}>
            <span className="block font-semibold">{name === "x" ? "Along" : "Up"}</span>
            <select name={name} defaultValue={of.id}>
              {measured.map(({ id, name: label }) => (
                <option key={id} value={id}>
                  {label}
                </option>
              ))}
            </select>
          </label>
        ))}
        {chosen && <input type="hidden" name="plants" value={chosen} />}
        <button type="submit" className="leaf">
          Show
        </button>
      </form>
      {points.length === 0 ? (
        <p className="mt-2 text-soft">No plant of this family has both.</p>
      ) : (
        <>
          <AgainstChart {...against} />
          <p className="mt-2">{correlationInWords(correlation, x.name, y.name)}</p>
        </>
      )}
    </section>
  );
}

function correlationInWords(of: Correlation | null, x: string, y: string): string {
  if (!of) return "Too few plants have both, or one of the two does not differ, to say whether they go together.";
  const { r, low, high, pairs } = of;
  const range = `r ${fixed(r, 2)} (${fixed(low, 2)} to ${fixed(high, 2)}), ${plural(pairs, "plant")}`;
  if (low > 0) return `More ${x} goes with more ${y}: ${range}.`;
  if (high < 0) return `More ${x} goes with less ${y}: ${range}.`;
  return `Whether ${x} and ${y} go together these plants can't say: ${range}.`;
}

function SideBySide({ view: { chosen, compared } }: { view: Comparison }) {
  const marks = compared.map(({ yardstick }) => yardstick);
  return (
    <section aria-label="Side by side">
      <h2 className="mb-2">Kept plants side by side</h2>
      <Table heads={["Plant", ...marks.map(({ name }) => name), "Mark"]}>
        {chosen.map(({ number, mark, values }) => (
          <tr key={number}>
            <td>
              <strong>{number}</strong>
            </td>
            {marks.map((y) => {
              const value = values[y.id];
              const out = value !== undefined && failsAim(y, value);
              return (
                <td key={y.id} className={out ? "font-bold text-rust" : ""}>
                  {value ? kindOf(y).shown(value) : "–"}
                  {out && " out"}
                </td>
              );
            })}
            <td>{MARKS[mark as keyof typeof MARKS]}</td>
          </tr>
        ))}
      </Table>
    </section>
  );
}

/** Pictures of the same plants, a row a plant, a column a day. */
function OverTime({ view: { stand, chosen, days } }: { view: Comparison }) {
  return (
    <section aria-label="Pictures side by side" className="mt-7">
      <h2 className="mb-2">Pictures side by side</h2>
      <Table heads={["Plant", ...days.map((day) => dayInWords(day))]}>
        {chosen
          .filter(({ photos }) => photos.length > 0)
          .map(({ number, photos }) => (
            <tr key={number}>
              <td>
                <strong>{number}</strong>
              </td>
              {days.map((day) => (
                <td key={day}>
                  <PictureRow
                    photos={photos.filter(({ takenOn }) => takenOn === day)}
                    name={`${stand.code} plant ${number}`}
                    size="beside"
                  />
                </td>
              ))}
            </tr>
          ))}
      </Table>
    </section>
  );
}
