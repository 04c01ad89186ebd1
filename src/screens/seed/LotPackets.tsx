"use client";
import { dayInWords } from "@/core/calendar/day";
import { plural } from "@/core/units/plural";
import { Sheet } from "@/ui/Sheet";
import type { LotPage } from "@/views/lot";
import { CommandForm } from "../common/command";
import { PackForm } from "./PackForm";

/** The packets of a lot: which are reserves, which went to whom. */
export function LotPackets({ view: { lot, packets, garden, stores } }: { view: LotPage }) {
  if (lot.onTable || lot.endedOn) return null;
  const pack = { id: lot.id, code: lot.code, broken: lot.brokenOn !== null, brokenWhy: lot.brokenWhy };
  return (
    <section className="mt-6 max-w-2xl" aria-label="Packets">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h3>{packets.length === 0 ? "No packets yet" : plural(packets.length, "packet")}</h3>
        <span className="flex flex-wrap gap-2">
          <a className="leaf leaf-plain" href={`/api/tags/packets/${lot.code}`}>
            Labels, outside and inside
          </a>
          <Sheet trigger="Make packets" title={`Packets of lot ${lot.code}`} plain>
            {(close) => <PackForm lot={pack} units={garden.units} onDone={close} />}
          </Sheet>
        </span>
      </div>
      <ul className="rows mt-1 border-y border-rule empty:hidden">
        {packets.map(({ id, version, number, seeds, storeId, reserve, madeOn, goneOn, goneTo }) => (
          <li key={id} className="flex flex-wrap items-center justify-between gap-3 py-2">
            <span className={goneOn ? "text-soft" : ""}>
              <strong>
                {lot.code} / {number}
              </strong>
              {reserve === 1 && " a reserve"}
              {seeds && `, ${plural(seeds, "seed")}`}
              {goneOn
                ? `; to ${goneTo}, ${dayInWords(goneOn)} ${goneOn.slice(0, 4)}`
                : `; ${stores.find((store) => store.id === storeId)?.name ?? "with its lot"}, since ${dayInWords(madeOn)}`}
            </span>
            {!goneOn && (
              <Sheet trigger="Give it" title={`Packet ${number} of lot ${lot.code}`} plain>
                {(close) => (
                  <CommandForm
                    command="packet.give"
                    draft={`give-${id}`}
                    values={{ to: null, on: null }}
                    hidden={{ id, version }}
                    submit="It is given"
                    onDone={close}
                  >
                    {(Field) => (
                      <>
                        <p>
                          Swapping and selling seed have their own rules from place to place: seed marketing, plant
                          variety rights, plant health. The local ones come first.
                        </p>
                        <Field name="to" label="To" hint="Initials or a number are enough." />
                        <Field name="on" label="On" type="date" hint="Empty for today." />
                      </>
                    )}
                  </CommandForm>
                )}
              </Sheet>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
