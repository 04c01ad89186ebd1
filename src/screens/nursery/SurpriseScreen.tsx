import { dayInWords } from "@/core/calendar/day";
import { nameWithGeneration } from "@/core/custody/generation";
import { inTenShort, oddsInWords } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
import Link from "@/ui/Link";
import type { SurpriseView } from "@/views/surprise";
import { CommandButton } from "../common/command";
import { Page } from "../common/Page";
import { Tag } from "../common/Tag";
import { sentence } from "../common/words";
import { causeInWords, tellingInWords, whyInWords } from "./surpriseWords";

/** Where an odd plant may come from: causes by their chance, what would tell, and which seed is suspect. */
export function SurpriseScreen(view: SurpriseView) {
  const { band, stand, plant, counted, made, found, decided, sisters, xenia } = view;
  const [first] = found.causes;
  return (
    <Page title={`Plant ${plant.number} of ${stand.code}`} band={band} beside={<WhatWouldTell {...view} />}>
      <div className="flex flex-wrap items-center gap-3">
        <Tag kind="family" code={stand.code} href={`/nursery/${stand.code}`} />
        <Link href={`/nursery/${stand.code}`} className="leaf leaf-plain">
          Back to the bench
        </Link>
      </div>
      <p className="mt-4 break-words font-bold">
        {nameWithGeneration(stand)}, plant {plant.number}
        {plant.reason && `: ${plant.reason}`}
      </p>
      <h2 className="text-2xl">
        {decided
          ? `Decided: ${causeInWords({ kind: decided.cause, key: null }, view, decided.sourceName)}`
          : `Most likely ${causeInWords(first!, view)}`}
      </h2>
      <p className="mt-1 max-w-prose">
        {made ? (
          <>
            If pollen made it, that happened in <strong>{made.season}</strong>, when its seed was made on{" "}
            <Link href={`/lines/from/${made.motherCode}`}>{made.motherCode}</Link>: not this year. The fruit and leaves
            of a mother show nothing of it; her seed does, a season later.
          </>
        ) : (
          "Nobody wrote down where its seed was made, so no pollen can be traced."
        )}
      </p>
      {xenia && <p className="mt-1 max-w-prose text-sm text-soft">{xenia}</p>}
      <p className="mt-2 text-sm text-soft">
        {counted.odd} of {plural(counted.plants, "plant")} of its family {counted.odd === 1 ? "is" : "are"} so
        {sisters.length > 0 &&
          `; of ${plural(sisters.length, "family", "families")} of its mother's neighbours ${sisters.reduce((sum, { odd }) => sum + odd, 0)} of ${plural(
            sisters.reduce((sum, { plants }) => sum + plants, 0),
            "plant",
          )}`}
        .
      </p>
      <section aria-label="What may have made it" className="mt-6">
        <h3>What may have made it</h3>
        <ul className="mt-2 max-w-2xl">
          {found.causes
            .filter(({ chance }, i) => i < 3 || chance >= 0.005)
            .map((cause) => (
              <li key={`${cause.kind} ${cause.key}`} className="border-rule border-b py-2.5">
                <div className="flex flex-wrap items-baseline justify-between gap-x-4">
                  <strong>{sentence(causeInWords(cause, view))}</strong>
                  <span className="font-bold">{inTenShort(cause.chance)}</span>
                </div>
                <div className="mt-1 h-2 max-w-md bg-rule" aria-hidden="true">
                  <div className="h-2 bg-damson" style={{ width: `${Math.max(1, cause.chance * 100)}%` }} />
                </div>
                <p className="mt-1 max-w-prose text-sm text-soft">{whyInWords(cause, view)}</p>
                {!decided && (
                  <CommandButton
                    command="surprise.decide"
                    plain
                    label={`It was ${causeInWords(cause, view)}`}
                    input={{
                      plantId: plant.id,
                      cause: cause.kind,
                      sourceName: view.suspects.find(({ key }) => key === cause.key)?.name ?? "",
                      plants: counted.plants,
                      odd: counted.odd,
                      words: "",
                    }}
                  >
                    It was this
                  </CommandButton>
                )}
              </li>
            ))}
        </ul>
        <p className="mt-2 max-w-prose text-sm text-soft">
          One of these is taken to be true. What was foreseen of strange pollen is an order of magnitude; how often a
          label is slipped or seed is mixed are working values.
        </p>
      </section>
      {decided && (
        <p className="mt-4">
          Decided {dayInWords(decided.decidedOn, "long")}.{" "}
          <CommandButton command="surprise.drop" plain input={{ id: decided.id, version: decided.version }}>
            Strike it out
          </CommandButton>
        </p>
      )}
    </Page>
  );
}

const INHERITED = { dominant: "one copy shows", recessive: "hidden by the other", unknown: "nobody knows" } as const;

function WhatWouldTell(view: SurpriseView) {
  const { stand, plant, asked, suspects, found, atRisk, made } = view;
  const address = (more: { inherited?: string; like?: string[]; unlike?: string[] }) => {
    const { like, unlike } = asked;
    const told = new URLSearchParams({ plant: `${plant.number}`, inherited: more.inherited ?? asked.inheritance });
    for (const [key, list] of Object.entries({ like: more.like ?? like, unlike: more.unlike ?? unlike }))
      if (list.length > 0) told.set(key, list.join(","));
    return `/nursery/${stand.code}/surprise?${told}`;
  };
  const without = (list: string[], key: string) => list.filter((one) => one !== key);
  const choice = (label: string, to: string, on: boolean) => (
    <Link
      key={label}
      href={to}
      scroll={false}
      aria-current={on ? "true" : undefined}
      className={`leaf ${on ? "leaf-strong" : "leaf-plain"}`}
    >
      {label}
    </Link>
  );
  return (
    <>
      <h2>What would tell</h2>
      {found.tests.length === 0 && (
        <p className="mt-2">Nothing is left to look at: no seed of it, and the plant is gone.</p>
      )}
      <ol className="mt-2 space-y-3">
        {found.tests.map((test, i) => (
          <li key={test.key}>
            {i === 0 && <p className="text-sm font-bold text-soft">First, as it tells most for what it takes</p>}
            <p>{tellingInWords(test, view)}</p>
          </li>
        ))}
      </ol>
      <h3 className="mt-6">How is the look inherited?</h3>
      <div className="mt-1 flex flex-wrap gap-2">
        {Object.entries(INHERITED).map(([key, label]) =>
          choice(label, address({ inherited: key }), asked.inheritance === key),
        )}
      </div>
      {suspects.map(({ key, name, harm, share }) => (
        <div key={key} className="mt-5">
          <h3>
            Does it look like {name}
            {harm !== "none" && harm !== "wild" ? `, which is ${harm}` : ""}?
          </h3>
          <p className="text-sm text-soft">
            {oddsInWords(share.likely, { what: "seed" })} of {made?.season} was foreseen as its own (
            {oddsInWords(share.low)} to {oddsInWords(share.high)}).
          </p>
          <div className="mt-1 flex flex-wrap gap-2">
            {choice(
              "It does",
              address({ like: [...without(asked.like, key), key], unlike: without(asked.unlike, key) }),
              asked.like.includes(key),
            )}
            {choice(
              "It does not",
              address({ like: without(asked.like, key), unlike: [...without(asked.unlike, key), key] }),
              asked.unlike.includes(key),
            )}
          </div>
        </div>
      ))}
      {atRisk.length > 0 && (
        <section className="mt-6" aria-label="Suspect seed">
          <h3>Seed that is suspect too</h3>
          <ul className="mt-1 space-y-1">
            {atRisk.map(({ code, number, left, share }) => (
              <li key={code} className="flex flex-wrap items-center gap-2">
                <Tag kind="lot" code={code} href={`/seed/${code}`} small />
                <span className="text-sm">
                  {number === null ? "" : `of plant ${number}, `}
                  {plural(left, "seed")}, about {oddsInWords(share.likely)} of it
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}
