import { dayInWords } from "@/core/calendar/day";
import type { OneTasting, Tastings } from "@/views/tasting";
import { PrintButton } from "../common/PrintButton";
import { ScaleEnds } from "./DrawnScale";

const STEPS = Array.from({ length: 9 }, (_, i) => i + 1);

/** A sheet of paper for each taster, with the codes in their order. */
export function TastingSheets({ of, name, hazards }: { of: OneTasting; name: string; hazards: Tastings["hazards"] }) {
  return (
    <>
      <p className="mb-4 flex flex-wrap items-center gap-3 print:hidden">
        <PrintButton>Print the sheets</PrintButton>
        <span className="text-soft">One for each taster. Type the figures in on their pages afterwards.</span>
      </p>
      {of.orders.map((codes, i) => (
        <section
          // biome-ignore lint/suspicious/noArrayIndexKey: tasters are their numbers
          key={i}
          aria-label={`Taster ${i + 1}`}
          className="mb-8 break-after-page border-t border-ink pt-4 print:border-0"
        >
          <h2>
            Taster {i + 1}: {of.scale.name}
          </h2>
          <p className="text-sm text-soft">
            {name}, {dayInWords(of.heldOn, "long")}. From the top down; a sip of water between.
          </p>
          <div className="my-2">
            <ScaleEnds {...of.scale} />
          </div>
          <table className="w-full max-w-2xl">
            <tbody>
              {codes.map((code) => (
                <tr key={code} className="border-b border-rule">
                  <th scope="row" className="py-3 pr-4 text-left text-2xl tabular-nums">
                    {code}
                  </th>
                  {STEPS.map((step) => (
                    <td key={step} className="px-1 text-center">
                      <span className="inline-grid size-9 place-items-center rounded-full border border-soft">
                        {step}
                      </span>
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
          {hazards.map(({ title, caution }) => (
            <p key={title} className="mt-2 max-w-2xl text-sm">
              <strong>{title}.</strong> {caution}
            </p>
          ))}
        </section>
      ))}
    </>
  );
}
