"use client";
import { dayInWords } from "@/core/calendar/day";
import { Sheet } from "@/ui/Sheet";
import type { LotPage } from "@/views/lot";
import { CommandButton, CommandForm } from "../common/command";
import { choicesOf } from "../common/words";

const ENDINGS = { "used-up": "Used up", dead: "Dead: nothing comes up", lost: "Lost", given: "Given away" };

type Props = Pick<LotPage, "lot" | "stores" | "stays">;

/** Where a lot lies and lay, and its end. */
export function PutAway({ lot, stores, stays }: Props) {
  const last = stays.at(-1);
  return (
    <section className="mb-8">
      <h3>Where it lies</h3>
      {stays.length === 0 ? (
        <p className="mb-2 text-soft">Nobody said; taken for a cool, dry room.</p>
      ) : (
        <ul className="mb-2">
          {stays.map(({ id, since, name, temperature, humidity }) => (
            <li key={id} className={id === last?.id ? "" : "text-soft"}>
              since {dayInWords(since)} {since.slice(0, 4)} in <strong>{name}</strong>, {temperature} °C, {humidity} %
            </li>
          ))}
        </ul>
      )}
      <div className="flex flex-wrap gap-3">
        {stores.length > 0 && !lot.endedOn && (
          <Sheet trigger="Put it away" title={`Where does lot ${lot.code} lie?`}>
            {(close) => (
              <CommandForm
                command="lot.store"
                draft={`store-lot-${lot.id}`}
                values={{ storeId: last ? null : stores[0]!.id, since: null }}
                hidden={{ lotIds: [lot.id] }}
                submit="It lies there"
                onDone={close}
              >
                {(Field) => (
                  <>
                    <Field
                      name="storeId"
                      label="In"
                      type="select"
                      none="Choose a place"
                      choices={stores.map(({ id, name }) => ({ value: id, label: name }))}
                    />
                    <Field name="since" label="Since" type="date" hint="Empty for today." />
                  </>
                )}
              </CommandForm>
            )}
          </Sheet>
        )}
        {stores.length === 0 && (
          <a className="leaf" href="/seed/drawer">
            Name a place for seed
          </a>
        )}
        {lot.endedOn ? (
          lot.ending !== "parted" && (
            <CommandButton command="lot.bring-back" input={{ id: lot.id, version: lot.version }}>
              Bring it back
            </CommandButton>
          )
        ) : (
          <Sheet trigger="It is no more" title={`What became of lot ${lot.code}?`} plain>
            {(close) => (
              <CommandForm
                command="lot.end"
                draft={`end-lot-${lot.id}`}
                values={{ ending: "used-up", on: null }}
                hidden={{ id: lot.id, version: lot.version }}
                submit="Save"
                onDone={close}
              >
                {(Field) => (
                  <>
                    <Field name="ending" label="It is" type="select" choices={choicesOf(ENDINGS)} />
                    <Field name="on" label="Since" type="date" hint="Empty for today." />
                  </>
                )}
              </CommandForm>
            )}
          </Sheet>
        )}
      </div>
    </section>
  );
}
