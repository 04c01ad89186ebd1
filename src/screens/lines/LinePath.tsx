"use client";
import clsx from "clsx";
import type { ReactNode } from "react";
import { addressOf } from "@/core/custody/address";
import { plan as planned } from "@/records/plan/plan";
import Link from "@/ui/Link";
import { Sheet } from "@/ui/Sheet";
import type { Ahead, LineStanding } from "@/views/linePlan";
import { CommandButton, CommandForm } from "../common/command";
import { RecordForm } from "../common/RecordForm";
import { fieldOf } from "../common/recordFields";
import { SowNext } from "../common/SowNext";
import { sentence } from "../common/words";
import { actInWords, aheadInWords, grownInWords, nextInWords, RISKS, stepName } from "./pathWords";
import { GUARD_WORDS, SCHEME_WORDS } from "./planWords";

type Props = {
  line: { id: string; code: string; name: string; ended: boolean };
  standing: LineStanding;
  backcrosses: number;
  latitude: number;
  season: number;
  /** Traits that are scored, by name. */
  traits: string[];
};

/** A line's way: what was grown of it, where it stands, and what is planned, with its next step. */
export function LinePath(props: Props) {
  const { line, standing, backcrosses, latitude, season, traits } = props;
  const { plan, step, toSow } = standing;
  const { name, what } = SCHEME_WORDS[plan.way];
  return (
    <section className="mt-4" aria-label="Its way">
      <p className={clsx("text-lg font-semibold", step === "lost" && "text-rust")}>{nextInWords(standing)}</p>
      {!line.ended && standing.risk && (
        <p className={clsx("mt-1 max-w-prose", standing.risk === "no-seed-coming" && "font-bold text-rust")}>
          {RISKS[standing.risk]}
        </p>
      )}
      {!line.ended && toSow && (
        <p className="mt-2">
          <SowNext line={line.code} trigger="Sow the next generation" strong />
        </p>
      )}
      {!line.ended && (step === "begin" || step === "lost") && (
        <p className="mt-2">
          <Link href="/seed#received" className="leaf leaf-strong">
            Receive its seed
          </Link>
        </p>
      )}
      <ol className="mt-4 grid grid-cols-2 gap-1.5 sm:flex sm:flex-wrap" aria-label="Generations">
        {plan.grown.map((one) => {
          const here = one.planned === 0 && one.season >= season && one.standing > 0;
          const kind = one.family ? "family" : "stand";
          return (
            <Step
              key={`${one.generation} ${one.season} ${one.planned}`}
              tone={one.planned === 1 ? "ahead" : here ? "here" : "behind"}
              name={stepName(one, backcrosses, latitude)}
              year={one.season}
            >
              <Link href={addressOf({ kind, code: one.code, season: one.season })}>
                {one.planned === 1 ? "sowing planned" : grownInWords(one)}
              </Link>
            </Step>
          );
        })}
        {plan.ahead.map((one, i) => (
          <Step
            key={`${one.generation} ${one.season} ahead`}
            tone="ahead"
            name={stepName(one, backcrosses, latitude)}
            year={one.season}
          >
            <Sheet
              trigger={aheadInWords(one)}
              title={`Plan of ${line.name}, ${stepName(one, backcrosses, latitude)}`}
              bare
            >
              {(close) => <Change {...props} at={i} close={close} />}
            </Sheet>
          </Step>
        ))}
      </ol>
      <p className="mt-2 max-w-prose text-sm text-soft">
        {plan.usual ? "As usual for it" : "Your plan"}: {name.toLowerCase()}, {what}.
        {traits.length > 0 && ` Scored: ${traits.slice(0, 6).join(", ")}${traits.length > 6 ? " and more" : ""}.`}
        {plan.late > 0 && ` A season was skipped: all that follows comes ${plan.late} later than planned.`}
      </p>
      {!plan.usual && !line.ended && (
        <CommandButton command="plan.drop" input={{ lineId: line.id }} plain>
          Go on as usual instead
        </CommandButton>
      )}
    </section>
  );
}

type StepProps = { tone: "behind" | "here" | "ahead"; name: string; year: number; children: ReactNode };

const TONES = {
  behind: "border-rule text-soft",
  here: "border-damson bg-damson text-paper [&_a]:text-paper",
  ahead: "border-rule border-dashed",
};

const Step = ({ tone, name, year, children }: StepProps) => (
  <li
    aria-current={tone === "here" ? "step" : undefined}
    className={clsx("rounded-[2px_14px_2px_14px] border-2 px-3 py-1.5 sm:w-36", TONES[tone])}
  >
    <span className="flex items-baseline justify-between gap-2">
      <span className="font-head text-lg">{name}</span>
      {name !== String(year) && <span className="text-sm">{year}</span>}
    </span>
    <span className="block text-sm">{children}</span>
  </li>
);

const FIELDS = ["plants", "mothers", "kept", "season"] as const;

/** One generation of the plan, changed: in place where somebody planned it, else the usual plan becomes the line's own. */
function Change({ line, standing, at, close }: Props & { at: number; close: () => void }) {
  const { ahead, way, rows } = standing.plan;
  const one: Ahead = ahead[at]!;
  const { id, version, season, plants, mothers, kept, guard } = one;
  const values = { plants, mothers, kept, season, guard };
  return (
    <>
      <p className="mb-4">{sentence(actInWords(one))}.</p>
      {id && version ? (
        <RecordForm
          of={planned}
          command="plan.change"
          draft={`plan-${id}`}
          fields={FIELDS}
          more={{ "Kept from other pollen": ["guard"] }}
          words={{ guard: GUARD_WORDS }}
          units="metric"
          row={{ id, version, ...values }}
          submit="Save"
          onDone={close}
        />
      ) : (
        <CommandForm
          command="plan.take"
          draft={`plan-${line.id}-${at}`}
          values={values}
          shape={(typed) => ({
            lineId: line.id,
            way,
            replaces: rows,
            generations: ahead.map(({ id: _, version: __, ...step }, i) => (i === at ? { ...step, ...typed } : step)),
          })}
          submit="Save"
          onDone={close}
        >
          {(Field) => (
            <div className="grid items-start gap-4 sm:grid-cols-2">
              {FIELDS.map((name) => (
                <Field key={name} name={name} {...fieldOf(planned.columns[name], "metric")} />
              ))}
              <Field name="guard" {...fieldOf(planned.columns.guard, "metric", GUARD_WORDS)} />
            </div>
          )}
        </CommandForm>
      )}
    </>
  );
}
