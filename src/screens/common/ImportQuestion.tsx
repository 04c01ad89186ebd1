import type { Answer } from "@/ui/send";

/** What a file does not say by itself, and how a person says it. */
const QUESTIONS = {
  order: [
    ["day-first", "Day first: 31/12"],
    ["month-first", "Month first: 12/31"],
  ],
  unit: [
    ["celsius", "°C"],
    ["fahrenheit", "°F"],
  ],
} as const;

export type FileTold = { [Q in keyof typeof QUESTIONS]?: (typeof QUESTIONS)[Q][number][0] };

/** What is asked of a file, if anything. */
export const askedOf = ({ fields }: Answer) =>
  (Object.keys(QUESTIONS) as (keyof typeof QUESTIONS)[]).find((name) => fields?.[name]);

/** What an import asks of a file before it can read it, each answer a press. */
export function ImportQuestion({ answer, onSay }: { answer: Answer; onSay: (told: FileTold) => void }) {
  const asked = askedOf(answer);
  if (!asked) return null;
  return (
    <fieldset className="mt-3">
      <legend className="font-semibold">{answer.fields![asked]}</legend>
      <div className="mt-2 flex flex-wrap gap-3">
        {QUESTIONS[asked].map(([value, words]) => (
          <button key={value} type="button" className="leaf min-h-12" onClick={() => onSay({ [asked]: value })}>
            {words}
          </button>
        ))}
      </div>
    </fieldset>
  );
}
