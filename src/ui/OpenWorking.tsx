"use client";
import { Popover } from "radix-ui";
import { type ReactNode, use, useId, useState } from "react";

export type WorkingInput = {
  key: string;
  label: string;
  value: number;
  /** The range it may really lie in; it is tried at both ends to find what changes the figure most. */
  low?: number;
  high?: number;
  min: number;
  max: number;
  step: number;
  source: string;
};

/** What a figure rests on, and how it is made of that. */
export type WorkingParts = {
  title: string;
  method: string;
  inputs: WorkingInput[];
  compute: (values: Record<string, number>) => { number: number; words: string };
};

/** Inputs tried at the ends of their ranges, the one that moves the figure most first. */
function sensitivities({ inputs, compute }: WorkingParts, values: Record<string, number>) {
  return inputs
    .filter((i) => i.low !== undefined && i.high !== undefined)
    .map((input) => {
      const at = (value: number) => compute({ ...values, [input.key]: value });
      const [low, high] = [at(input.low!), at(input.high!)];
      return { input, low, high, reach: Math.abs(high.number - low.number) };
    })
    .sort((a, b) => b.reach - a.reach);
}

/** A figure's working, open beside it for as long as it is drawn. */
export function OpenWorking({
  parts,
  trigger,
  onClose,
}: {
  parts: Promise<WorkingParts>;
  trigger: ReactNode;
  onClose: () => void;
}) {
  return (
    <Popover.Root open onOpenChange={(open) => !open && onClose()}>
      <Popover.Trigger asChild>{trigger}</Popover.Trigger>
      <Popover.Portal>
        <Content {...use(parts)} />
      </Popover.Portal>
    </Popover.Root>
  );
}

/** Inputs with their sources, the method, the range, and a place to try other values. */
function Content(props: WorkingParts) {
  const { title, method, inputs, compute } = props;
  const start = Object.fromEntries(inputs.map((i) => [i.key, i.value]));
  const [values, setValues] = useState(start);
  const id = useId();
  const tried = inputs.some((i) => values[i.key] !== i.value);
  const usable = inputs.every((i) => values[i.key]! >= i.min && values[i.key]! <= i.max);
  return (
    <Popover.Content
      collisionPadding={12}
      className="z-50 max-h-[80vh] w-[24rem] max-w-[94vw] overflow-y-auto border border-ink bg-leaf p-5 shadow-lg"
      aria-label={title}
    >
      <h3>{title}</h3>
      <p className="mt-1 text-sm text-soft">{method}</p>
      <div className="rows mt-3">
        {inputs.map((input) => (
          <div key={input.key} className="grid grid-cols-[1fr_6.5rem] items-center gap-3 py-2">
            <label htmlFor={`${id}${input.key}`} className="text-sm">
              {input.label}
              <span className="block text-soft">{input.source}</span>
            </label>
            <input
              id={`${id}${input.key}`}
              type="number"
              min={input.min}
              max={input.max}
              step={input.step}
              value={Number.isNaN(values[input.key]) ? "" : values[input.key]}
              onChange={(event) => setValues({ ...values, [input.key]: event.target.valueAsNumber })}
            />
          </div>
        ))}
      </div>
      <p className="mt-3 text-lg" aria-live="polite">
        {usable ? <strong>{compute(values).words}</strong> : "Outside what can be computed."}
        {tried && usable && <span className="text-soft"> tried, not saved</span>}
      </p>
      {usable && <Range rows={sensitivities(props, values)} />}
    </Popover.Content>
  );
}

function Range({ rows }: { rows: ReturnType<typeof sensitivities> }) {
  if (rows.length === 0) return null;
  return (
    <dl className="mt-2 text-sm">
      {rows.map(({ input, low, high }, i) => (
        <div key={input.key} className="flex justify-between gap-4 py-0.5">
          <dt className="text-soft">
            {i === 0 ? "Changes it most: " : ""}
            {input.label} {input.low}–{input.high}
          </dt>
          <dd className="text-right">
            {low.words} to {high.words}
          </dd>
        </div>
      ))}
    </dl>
  );
}
