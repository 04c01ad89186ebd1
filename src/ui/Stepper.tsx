"use client";

type Props = { label: string; value: number; min: number; max: number; onChange: (value: number) => void };

/** A count set with a thumb. */
export function Stepper({ label, value, min, max, onChange }: Props) {
  const press = "leaf size-14 text-2xl";
  return (
    <div role="group" aria-label={label} className="flex items-center gap-4">
      <button
        type="button"
        className={press}
        aria-label={`fewer ${label}`}
        disabled={value <= min}
        onClick={() => onChange(value - 1)}
      >
        −
      </button>
      <output className="min-w-12 text-center font-head text-4xl font-bold">{value}</output>
      <button
        type="button"
        className={press}
        aria-label={`more ${label}`}
        disabled={value >= max}
        onClick={() => onChange(value + 1)}
      >
        +
      </button>
      <span className="text-soft">{label}</span>
    </div>
  );
}
