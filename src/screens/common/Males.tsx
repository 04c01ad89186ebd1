import type { ProtocolStep } from "@/core/pollination/protocol";
import { Stepper } from "@/ui/Stepper";
import { fewMalesInWords, MALES_WORDS } from "./results";

type Props = {
  /** What is pollinated one by one: a flower, an ear, a head. */
  unit: string;
  step: Pick<ProtocolStep, "father">;
  value: number;
  onChange: (males: number) => void;
};

/** Males counted at a step, and what is said of too few. */
export function Males({ unit, step, value, onChange }: Props) {
  const few = fewMalesInWords(unit, step, value);
  return (
    <div>
      <Stepper label={MALES_WORDS[unit]!} value={value} min={1} max={200} onChange={onChange} />
      {few && <p className="mt-1 text-sm text-soft">{few}</p>}
    </div>
  );
}
