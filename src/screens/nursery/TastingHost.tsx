import { dayInWords } from "@/core/calendar/day";
import { plural } from "@/core/units/plural";
import { fixed } from "@/core/writing/numbers";
import Link from "@/ui/Link";
import { Table } from "@/ui/Table";
import type { OneTasting, Served } from "@/views/tasting";
import { CommandButton } from "../common/command";
import { ScaleEnds } from "./DrawnScale";

type Props = { of: OneTasting; code: string; path: string };

/** For whoever serves: how far each taster is, what lies under which code, and at last what they found. */
export function TastingHost({ of, code, path }: Props) {
  const { scale, heldOn, closedOn, served, progress, note, id, version } = of;
  const bites = progress.reduce((a, b) => a + b, 0);
  const bitter = served.filter((one) => one.bitter > 0);
  return (
    <>
      <h2 className="text-2xl">
        {closedOn ? headline(of) : `${scale.name}: ${bites} of ${served.length * progress.length} bites`}
      </h2>
      <p className="mt-1 text-soft">
        {dayInWords(heldOn, "long")}, {plural(served.length, "plant")} by {plural(progress.length, "taster")}
        {note && `; ${note}`}
      </p>
      <p className="mt-1 text-sm text-soft">
        <ScaleEnds {...scale} />
      </p>
      {bitter.length > 0 && (
        <p role="alert" className="mt-3 border-l-4 border-rust pl-3 font-semibold text-rust">
          Bitter:{" "}
          {bitter.map((one, i) => (
            <span key={one.code}>
              {i > 0 && "; "}
              {one.code}, <Link href={`/nursery/${one.stand}?plant=${one.plant}`}>{called(one, code)}</Link>
            </span>
          ))}
          . Nobody tastes it again; take the plant out.
        </p>
      )}
      {!closedOn && (
        <>
          <div className="mt-4 flex flex-wrap gap-2">
            <Link href={`${path}?of=${id}&sheets=1`} className="leaf">
              Sheets to print
            </Link>
            {bites > 0 && (
              <CommandButton command="tasting.close" input={{ id, version }} strong>
                Close it, take as scores
              </CommandButton>
            )}
            <CommandButton command="tasting.drop" input={{ id, version }} plain goTo={path}>
              Call it off
            </CommandButton>
          </div>
          <h3 className="mt-6 mb-2">A page for each taster</h3>
          <ul className="flex flex-wrap gap-2">
            {progress.map((done, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: tasters are their numbers
              <li key={i}>
                <Link href={`${path}?of=${id}&taster=${i + 1}`} className="leaf">
                  Taster {i + 1}
                  <span className="text-sm font-normal">
                    {done} of {served.length}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
          <details className="mt-6">
            <summary className="min-h-11 cursor-pointer py-2 font-semibold">
              What lies under which code: for whoever serves
            </summary>
            <Table heads={["Code", "Plant"]}>
              {[...served]
                .sort((a, b) => (a.code < b.code ? -1 : 1))
                .map((one) => (
                  <tr key={one.code}>
                    <td>
                      <strong>{one.code}</strong>
                    </td>
                    <td>{called(one, code)}</td>
                  </tr>
                ))}
            </Table>
          </details>
        </>
      )}
      {closedOn && <Found of={of} code={code} />}
    </>
  );
}

/** Not to be told from the best, and bitter to nobody. */
export const isBest = ({ found, bitter }: Served): boolean => found !== null && !found.belowBest && bitter === 0;

const called = ({ plant, stand }: Served, code: string) => `plant ${plant}${stand === code ? "" : ` of ${stand}`}`;

function headline({ served }: OneTasting): string {
  const told = served.filter(({ found }) => found);
  const best = told.filter(isBest);
  if (told.length < 2) return "Too little was tasted to compare";
  if (best.length === told.length) return "Nobody could tell them apart for sure";
  return best.length === 1
    ? `Plant ${best[0]!.plant} tasted best`
    : `${best.length} of ${told.length} are best, not to be told apart`;
}

/** How well tasters agree, in words. */
function agreementInWords({ agreement, progress }: OneTasting): string {
  if (progress.length < 2) return "One taster alone: how far others would agree nobody can say.";
  if (!agreement) return "Too little was tasted by several to say how far they agree.";
  const range = `${fixed(agreement.likely, 2)} (${fixed(agreement.low, 2)} to ${fixed(agreement.high, 2)}) of 1`;
  if (agreement.low <= 0) return `They may agree by chance alone: ${range}.`;
  return `They agree ${agreement.likely >= 0.6 ? "well" : "somewhat"}: ${range}.`;
}

function Found({ of, code }: Pick<Props, "of" | "code">) {
  const { served, apart, withOthers } = of;
  const against = withOthers.flatMap((one, i) => (one?.against ? [i + 1] : []));
  return (
    <>
      <p className="mt-4 max-w-prose">{agreementInWords(of)}</p>
      {apart !== null && (
        <p className="mt-1 max-w-prose">
          {apart < 8
            ? `A difference of less than ${fixed(apart, 1)} steps is not to be trusted.`
            : "So few bites tell no two of them apart."}
        </p>
      )}
      {against.length > 0 && (
        <p className="mt-1 max-w-prose">
          {against.length === 1 ? "Taster" : "Tasters"} {against.join(" and ")} liked what the others did not: another
          taste, or codes that were mixed up.
        </p>
      )}
      <div className="mt-4">
        <Table heads={["Plant", "Found", "Where that lies", "Code", ""]}>
          {served.map((one) => (
            <tr key={one.code}>
              <td>
                <strong>{called(one, code)}</strong>
              </td>
              <td className="text-lg font-bold">{one.found ? fixed(one.found.value, 1) : "–"}</td>
              <td className="min-w-40">
                {one.found && (
                  <span
                    className="relative block h-3 bg-paper"
                    role="img"
                    aria-label={`${fixed(one.found.low, 1)} to ${fixed(one.found.high, 1)}`}
                  >
                    <span
                      className="absolute inset-y-1 bg-soft"
                      style={{ left: at(one.found.low), right: `calc(100% - ${at(one.found.high)})` }}
                    />
                    <span className="absolute inset-y-0 w-1 bg-damson" style={{ left: at(one.found.value) }} />
                  </span>
                )}
              </td>
              <td>{one.code}</td>
              <td className={one.bitter > 0 ? "font-semibold text-rust" : ""}>
                {one.bitter > 0
                  ? "bitter"
                  : one.found?.belowBest
                    ? "below the best"
                    : one.found
                      ? "among the best"
                      : ""}
              </td>
            </tr>
          ))}
        </Table>
      </div>
      <p className="mt-2 text-sm text-soft">
        Set right for tasters who give more or less than others; the bar is where it lies nine times in ten, on 1 to 9.
        Each plant was scored so on the bench.
      </p>
    </>
  );
}

const at = (value: number) => `${((value - 1) / 8) * 100}%`;
