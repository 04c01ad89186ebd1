import { dayInWords } from "@/core/calendar/day";
import { seasonName, seasonOf } from "@/core/climate/season";
import { addressOfStand } from "@/core/custody/address";
import { generationName } from "@/core/custody/generation";
import { plural } from "@/core/units/plural";
import { Further } from "@/ui/Further";
import Link from "@/ui/Link";
import { Table } from "@/ui/Table";
import type { LineView } from "@/views/lines";
import { MixedFigure } from "../common/figures";
import { Notes } from "../common/Notes";
import { Page } from "../common/Page";
import { LINE_ENDINGS, SCHOOLS, STATUSES } from "../common/standNames";
import { Tag } from "../common/Tag";
import { ComesTrue } from "./ComesTrue";
import { LadderChart } from "./charts";
import { OffTypeFigure } from "./figures";
import { LineEnd } from "./LineEnd";
import { LineForm } from "./LineForm";
import { LinePath } from "./LinePath";
import { PartOff } from "./PartOff";
import { Pedigree } from "./Pedigree";
import { atMost, gettingAnywhere, progressInWords, verdictInWords } from "./trueWords";

export function LineScreen({ whole, ...view }: LineView & { whole: boolean }) {
  const { garden, band, line, mother, father, parts, rungs, ladders, stands, lots } = view;
  const verdict = verdictInWords(view.trueness);
  const anywhere = gettingAnywhere(ladders, view.backcrosses);
  const fixing = rungs.some((r) => r.generation !== null);
  return (
    <Page
      title={line.name}
      band={band}
      beside={
        <>
          <ComesTrue view={view} />
          <h2 className="mb-2">Stands and seed</h2>
          {stands.length === 0 && lots.length === 0 && (
            <p>
              Nothing of it has been sown or put in the drawer. <Link href="/ground">Sow it on the Ground</Link> or{" "}
              <Link href="/seed">receive its seed</Link>.
            </p>
          )}
          <ul className="space-y-2">
            {stands.slice(0, 24).map((s) => (
              <li key={s.id} className="flex items-center gap-3">
                <Tag kind={s.family ? "family" : "stand"} code={s.code} href={addressOfStand(s)} small />
                <span className="text-sm text-soft">
                  {seasonName(s.season, garden.latitude)}
                  {s.generation ? `, ${generationName(s.generation, view.backcrosses)}` : ""},{" "}
                  {plural(s.plants ?? 0, "plant")}
                </span>
              </li>
            ))}
          </ul>
          {stands.length > 24 && <p className="mt-2 text-sm text-soft">and {stands.length - 24} older ones</p>}
          <ul className="mt-5 flex flex-wrap gap-2">
            {lots.slice(0, 18).map((lot) => (
              <li key={lot.id}>
                <Tag kind="lot" code={lot.code} href={`/seed/${lot.code}`} small />
              </li>
            ))}
          </ul>
          {lots.length > 18 && <p className="mt-2 text-sm text-soft">and {lots.length - 18} older lots</p>}
        </>
      }
    >
      <p className="flex flex-wrap items-center gap-3 font-bold">
        <Tag kind="line" code={line.code} small />
        <span className="min-w-0 break-words">{line.name}</span>
      </p>
      <LinePath
        line={{ id: line.id, code: line.code, name: line.name, ended: line.endedOn !== null }}
        standing={view.standing}
        backcrosses={view.backcrosses}
        latitude={garden.latitude}
        season={seasonOf(band.today, garden.latitude)}
        traits={view.traits}
      />
      <h2 className="mt-5 text-2xl">{verdict.head}</h2>
      <p>{verdict.under}</p>
      {anywhere && (
        <p className="mt-3">
          <strong>Is it getting anywhere?</strong> {anywhere}
        </p>
      )}
      {line.ending && line.endedOn && (
        <p className="mt-2 font-bold text-rust">
          {LINE_ENDINGS[line.ending]} {dayInWords(line.endedOn, "long")}
          {line.endedWhy && `: ${line.endedWhy}`}
        </p>
      )}
      {parts.length > 0 && (
        <p className="mt-2">
          {line.subOfId ? "Kept apart as a part of " : "Parts of it that are kept apart: "}
          {parts
            .filter(({ id, subOfId }) => (line.subOfId ? subOfId === null : id !== line.id))
            .map(({ id, code, name }, i) => (
              <span key={id}>
                {i > 0 && ", "}
                <Link href={`/lines/${code}`}>{name}</Link>
              </span>
            ))}
          . Their families are compared as sisters; their seed may be put together again.
        </p>
      )}
      {line.description && <p className="mt-3 max-w-prose whitespace-pre-line break-words">{line.description}</p>}
      <div className="mt-3 flex flex-wrap items-center gap-x-2 gap-y-1 print:hidden">
        <Link href={`/lines/${line.code}/plans`} className="leaf leaf-plain">
          Ways to breed it
        </Link>
        <Link href={`/lines/${line.code}/release`} className="leaf leaf-plain">
          Its sheet
        </Link>
        <Notes of="lineId" id={line.id} name={line.name} />
      </div>
      <Further of="More about it">
        <p className="mt-3 text-soft">
          <Link href={`/guide/${line.species}`}>{line.speciesName}</Link>, {SCHOOLS[line.school].toLowerCase()},{" "}
          {STATUSES[line.status].toLowerCase()}
          {line.year ? `, ${line.year}` : ""}.{" "}
          {mother && father ? (
            <>
              From <Link href={`/lines/${mother.code}`}>{mother.name}</Link> ×{" "}
              <Link href={`/lines/${father.code}`}>{father.name}</Link>.
            </>
          ) : (
            line.origin && `From ${line.origin}.`
          )}
        </p>
        <div className="mt-2 flex flex-wrap items-center gap-x-2 gap-y-1">
          <LineForm line={line} />
          <a href={`/api/tags/line/${line.code}`} className="leaf leaf-plain">
            Print its tag
          </a>
          <PartOff view={view} />
          <LineEnd line={line} today={band.today} />
        </div>
      </Further>
      {rungs.length > 0 && (
        <section className="mt-8" aria-label="The ladder">
          <h3 className="mb-2">{fixing ? "The ladder, generation by generation" : "Grown so far"}</h3>
          <Table
            heads={[
              "Generation",
              "Seasons",
              "Stands",
              "Plants grown",
              "Kept",
              "Taken out",
              "Off-types, at most",
              ...(fixing ? ["Still mixed, expected"] : []),
            ]}
          >
            {rungs.map((rung) => (
              <tr key={rung.generation ?? "none"}>
                <th scope="row" className="font-head text-lg! text-ink!">
                  {generationName(rung.generation, view.backcrosses) || "not counted"}
                </th>
                <td>{rung.seasons.split(",").sort().join(", ")}</td>
                <td>{rung.stands}</td>
                <td>{rung.grown}</td>
                <td>{rung.chosen}</td>
                <td>{rung.removed}</td>
                <td>
                  {rung.offTypes && rung.offTypes.seen.plants > 0 ? (
                    <>
                      {rung.offTypes.seen.offTypes} of {rung.offTypes.seen.plants},{" "}
                      <OffTypeFigure seasons={[rung.offTypes.seen]} shown={`≤ ${atMost(rung.offTypes.upper)}`} />
                    </>
                  ) : (
                    "–"
                  )}
                </td>
                {fixing && (
                  <td>
                    {rung.mixed === null || rung.generation === null ? (
                      "–"
                    ) : (
                      <>
                        <MixedFigure
                          mixed={rung.mixed}
                          asked={{ generation: rung.generation, shares: rung.shares, ploidy: view.ploidy }}
                        />
                        {rung.observed && (
                          <span className="block text-sm text-soft">
                            seen {rung.observed.mixed} of {rung.observed.looks}
                          </span>
                        )}
                      </>
                    )}
                  </td>
                )}
              </tr>
            ))}
          </Table>
          {fixing && (
            <p className="mt-2 max-w-prose text-sm text-soft">
              Of the genes in which the parents differ, the share still mixed in one plant, by how the sown seed came
              about. Selection and chance make it differ.
            </p>
          )}
        </section>
      )}
      <Pedigree
        pedigree={view.pedigree}
        whole={whole}
        here={`/lines/${line.code}`}
        file={`/api/pedigree/${line.code}`}
      />
      {ladders.map((ladder) => (
        <LadderChart
          key={ladder.yardstick.id}
          ladder={ladder}
          said={progressInWords(ladder, view.backcrosses)}
          backcrosses={view.backcrosses}
        />
      ))}
    </Page>
  );
}
