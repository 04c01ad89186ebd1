"use client";
import { useState } from "react";
import { generationName } from "@/core/custody/generation";
import { planFrom } from "@/core/plans/linePlan";
import { inTenShort } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
import { fixed } from "@/core/writing/numbers";
import { Sheet } from "@/ui/Sheet";
import { Table } from "@/ui/Table";
import { useJobResult } from "@/ui/useJob";
import type { LaidOut, LaidOutPlans, PlansPage, TakenInherited } from "@/views/plans";
import { CommandForm } from "../common/command";
import { inHundred } from "../common/words";
import { ACTS_OF_PLANS, SCHEME_WORDS } from "./planWords";

type Props = Omit<PlansPage, "band">;

const ASKED = [
  { key: "genes", label: "Single-gene traits to combine", min: 1, max: 8, unit: "" },
  { key: "hidden", label: "Of these, recessive", min: 0, max: 8, unit: "" },
  { key: "plants", label: "Plants you have room for", min: 10, max: 1000, unit: "a season" },
  { key: "seasons", label: "Seasons, including the cross", min: 4, max: 12, unit: "" },
] as const;
type Asked = Record<(typeof ASKED)[number]["key"], number> & { heritability: number | null };

/** The heritability that is used, and what it rests on. */
function heritabilityInWords({ low, high, of }: TakenInherited): string {
  const range = `${Math.round(low * 100)} to ${Math.round(high * 100)}%`;
  if (of === "told") return `Heritability ${range}, as you say.`;
  if (of === "kinds")
    return `Heritability ${range}, as is usual: too few plants of this line were scored to know better.`;
  return `Heritability ${range}, from ${of.plants} plants scored in ${of.code}.`;
}

/** What is asked, and each way with what it takes and what it reaches. */
export function Plans(page: Props) {
  const { line } = page;
  const [asked, setAsked] = useState<Asked>({ genes: 2, hidden: 1, plants: 60, seasons: 7, heritability: null });
  const { heritability } = asked;
  const { result, trouble } = useJobResult<LaidOutPlans>(
    "/api/jobs/lines.plans",
    {
      lineId: line.id,
      ...asked,
      hidden: Math.min(asked.hidden, asked.genes),
      heritability: heritability === null ? null : heritability / 100,
    },
    null,
  );
  const fit = result?.plans.filter(({ not }) => not === null) ?? [];
  const unfit = result?.plans.filter(({ not }) => not !== null) ?? [];
  const [first] = fit;
  return (
    <>
      <h2 className="mt-2 text-2xl">
        {first
          ? `Best method here: ${SCHEME_WORDS[first.scheme].name.toLowerCase()} (${inTenShort(first.recovers)})`
          : result
            ? "No method suits this crop"
            : "Running each method on simulated plants…"}
      </h2>
      <p className="max-w-prose text-sm text-soft">
        Each method is run 300 times on simulated plants. Compare methods with it; it can’t predict your cross. In a
        real backcross, genes linked to the wanted trait come along; here none are.
      </p>
      <div className="mt-4 flex flex-wrap gap-x-6 gap-y-3">
        {ASKED.map(({ key, label, min, max, unit }) => (
          <label key={key} className="grid gap-1 font-semibold">
            {label} {unit && <span className="sr-only">{unit}</span>}
            <input
              type="number"
              min={min}
              max={max}
              value={asked[key]}
              className="w-28"
              onChange={({ target }) =>
                setAsked({ ...asked, [key]: Math.min(max, Math.max(min, Math.round(Number(target.value)) || min)) })
              }
            />
          </label>
        ))}
        <label className="grid gap-1 font-semibold">
          Heritability <span className="sr-only">%, empty: what this line shows</span>
          <span className="flex items-baseline gap-1 font-normal">
            <input
              type="number"
              min={5}
              max={95}
              value={heritability ?? ""}
              placeholder="as shown"
              className="w-28"
              onChange={({ target }) =>
                setAsked({
                  ...asked,
                  heritability:
                    target.value.trim() === ""
                      ? null
                      : Math.min(95, Math.max(5, Math.round(Number(target.value)) || 5)),
                })
              }
            />
            %
          </span>
        </label>
      </div>
      {result && <p className="mt-2 max-w-prose text-sm text-soft">{heritabilityInWords(result.inherited)}</p>}
      {trouble && (
        <p role="alert" className="mt-3 text-rust">
          {trouble}
        </p>
      )}
      {result && (
        <div className="mt-5">
          <Table
            heads={["Method", "All traits fixed", "Gain", "Not yet fixed", "Years", "Plants", "Ground", "Hours", ""]}
          >
            {fit.map((plan) => (
              <PlanRow key={plan.scheme} plan={plan} page={page} asked={asked} />
            ))}
          </Table>
          <p className="mt-3 max-w-prose text-sm text-soft">
            “All traits fixed” counts runs in which 9 of 10 plants of the best row show every wanted trait. Gain is in
            standard deviations of F2 plants, with a range that holds 9 runs in 10. Ground is that of the fullest
            season; hours assume 6 minutes a plant and 25 a cross.
          </p>
          {unfit.length > 0 && (
            <p className="mt-2 max-w-prose text-sm text-soft">
              Not for this crop:{" "}
              {unfit.map(({ scheme, not }) => `${SCHEME_WORDS[scheme].name.toLowerCase()} (${not})`).join("; ")}.
            </p>
          )}
        </div>
      )}
    </>
  );
}

type RowProps = { plan: LaidOut; page: Props; asked: Asked };

function PlanRow({ plan, page, asked }: RowProps) {
  const { scheme, recovers, gain, mixed, years, plants, ground, hours, recurrent } = plan;
  const { name, what } = SCHEME_WORDS[scheme];
  return (
    <tr>
      <th scope="row" className="max-w-64 text-ink!">
        {name}
        <span className="block text-sm font-normal text-soft">{what}</span>
        {recurrent && (
          <span className="block text-sm font-normal text-soft">
            {inHundred(recurrent.likely)} ({Math.round(recurrent.low * 100)}–
            {Math.round(Math.min(0.99, recurrent.high) * 100)}) of its genes from the recurrent parent
          </span>
        )}
      </th>
      <td className="whitespace-nowrap font-bold">{inTenShort(recovers)}</td>
      <td className="whitespace-nowrap">
        {fixed(gain.likely, 1)} ({fixed(gain.low, 1)}–{fixed(gain.high, 1)})
      </td>
      <td className="whitespace-nowrap">{inHundred(mixed)}</td>
      <td>{years}</td>
      <td>{plants}</td>
      <td className="whitespace-nowrap">{Math.ceil(ground)} m²</td>
      <td>{Math.round(hours)}</td>
      <td>
        <Sheet trigger="Season by season" title={name} plain>
          {(close) => <Adopt plan={plan} page={page} asked={asked} onDone={close} />}
        </Sheet>
      </td>
    </tr>
  );
}

/** What is ahead of the line by this way, and the press that makes it its plan. */
function Adopt({ plan: { scheme, steps }, page, asked, onDone }: RowProps & { onDone: () => void }) {
  const { line, parents, others, sown, from, species } = page;
  const size = { plants: asked.plants, seasons: asked.seasons, recessive: asked.hidden > 0 };
  // What was crossed and grown of it already is not done again.
  const known = steps.some(({ generation }) => generation === generationName(from.generation, from.backcrosses));
  const left = !known
    ? planFrom(scheme, { ...from, whole: true }, size, species)
    : planFrom(scheme, { ...from, season: from.season - species.every }, size, species).slice(1);
  const done = steps.length - left.length;
  const begins = left[0]?.act === "cross";
  const goesBack = left.some(({ act, backcrosses }) => act === "backcross" || backcrosses > from.backcrosses);
  return (
    <>
      <ol className="space-y-2">
        {steps.map((step, i) => (
          <li key={step.generation + step.act} className={i < done ? "text-soft" : undefined}>
            <strong>{step.generation}</strong>
            {i >= done && `, ${left[i - done]!.season}`}, {plural(step.plants, "plant")}
            {step.families > 1 && ` in ${step.families} families`}: {ACTS_OF_PLANS[step.act]}
            {step.hands > 0 && `, ${step.hands} by hand`}
            {i < done && " (behind it)"}
          </li>
        ))}
      </ol>
      {left.length === 0 ? (
        <p className="mt-4">All of it is behind this line already.</p>
      ) : (
        <div className="mt-5">
          <CommandForm
            command="plan.adopt"
            draft={`adopt-${line.id}-${scheme}`}
            values={begins ? { sown, otherId: "", back: "mother" } : { back: "mother" }}
            hidden={{ lineId: line.id, way: scheme, generations: left }}
            submit={`Plan these ${plural(left.length, "season")}`}
            onDone={onDone}
          >
            {(Field) => (
              <>
                {begins && (
                  <>
                    <Field
                      name="sown"
                      label="Parents sown on"
                      type="date"
                      hint="Both are planned, and the cross. What comes later is sown when its seed is there."
                    />
                    <Field
                      name="otherId"
                      label="Crossed with"
                      type="select"
                      none="Choose a line"
                      choices={others.map(({ id, name }) => ({ value: id, label: name }))}
                    />
                  </>
                )}
                {goesBack && (
                  <Field
                    name="back"
                    label="Recurrent parent"
                    type="select"
                    choices={[
                      { value: "mother", label: (begins ? line.name : parents.mother) ?? "its mother" },
                      {
                        value: "father",
                        label: (begins ? "the line it is crossed with" : parents.father) ?? "its father",
                      },
                    ]}
                  />
                )}
              </>
            )}
          </CommandForm>
        </div>
      )}
    </>
  );
}
