import type { Units } from "@/core/units/units";
import Link from "@/ui/Link";
import type { Band } from "@/views/band";
import type { Release } from "@/views/release";
import { Page } from "../common/Page";
import { PrintButton } from "../common/PrintButton";
import { Tag } from "../common/Tag";
import { ReleaseForm } from "./ReleaseForm";
import { sheetParts, typicalInWords } from "./releaseWords";
import { verdictInWords } from "./trueWords";

type Props = Release & { band: Band; units: Units };

/** A line's sheet, to be read, printed and given away, and the press that makes it a variety of its own. */
export function ReleaseScreen(release: Props) {
  const { band, units, line, typical, trueness, alike } = release;
  const { head, under } = verdictInWords(trueness);
  return (
    <Page
      title={`${line.name}: its sheet`}
      band={band}
      beside={
        <div className="print:hidden">
          <h2>{line.releasedOn ? "It goes by its name" : "Is it ready?"}</h2>
          <p className="mt-1 font-bold">{head}</p>
          <p>{under}</p>
          {line.releasedOn ? (
            <p className="mt-3">
              It is kept like any other variety: its upkeep stands in each season, and its seed asks in time to be grown
              anew.
            </p>
          ) : line.endedOn ? (
            <p className="mt-3">The line has ended.</p>
          ) : (
            <>
              <p className="mt-3">
                From then on it is kept pure: plants, roguing, isolation and regrowing are asked for in each season.
                {trueness.says !== "true" && " Nobody is kept from naming it sooner; the sheet says what is not shown."}
              </p>
              <ReleaseForm line={line} alike={alike} />
            </>
          )}
        </div>
      }
    >
      <div className="flex flex-wrap items-center gap-4 print:hidden">
        <Tag kind="line" code={line.code} href={`/lines/${line.code}`} />
        <Link href={`/lines/${line.code}`} className="leaf leaf-plain">
          Back to the line
        </Link>
        <PrintButton>Print it</PrintButton>
        <a href={`/api/release/${line.code}`} className="leaf leaf-plain">
          As PDF
        </a>
        <a href={`/api/release/${line.code}?format=json`} className="leaf leaf-plain">
          As JSON
        </a>
      </div>
      <h2 className="mt-4 break-words text-2xl">{line.name}</h2>
      {typical?.photo && (
        <figure className="mt-2 max-w-xs">
          {/* biome-ignore lint/performance/noImgElement: it is the garden's own, made small when it was taken */}
          <img
            src={`/api/photos/${typical.photo.id}`}
            alt={typical.photo.words || `plant ${typical.number}`}
            className="w-full"
          />
          <figcaption className="text-sm text-soft">{typicalInWords(typical)}</figcaption>
        </figure>
      )}
      {sheetParts(release, units).map(({ title, rows }) => (
        <section key={title} aria-label={title} className="mt-5 max-w-3xl break-inside-avoid">
          <h3>{title}</h3>
          <dl className="mt-1 grid gap-x-6 gap-y-1.5 sm:grid-cols-[12rem_1fr]">
            {rows.map(({ name, words }) => (
              <div key={name} className="contents">
                <dt className="break-words font-semibold">{name}</dt>
                <dd className="whitespace-pre-line break-words max-sm:mb-2">{words}</dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
    </Page>
  );
}
