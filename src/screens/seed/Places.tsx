"use client";
import { addDays, dayInWords } from "@/core/calendar/day";
import { plural } from "@/core/units/plural";
import { store as place } from "@/records/store/store";
import { Sheet } from "@/ui/Sheet";
import type { DrawerPage } from "@/views/seed";
import { CommandButton, CommandForm } from "../common/command";
import { RecordForm } from "../common/RecordForm";
import { Logger } from "./Logger";

/** A place's form: a new one, or one that is changed. */
function PlaceForm({ store, close }: { store?: DrawerPage["stores"][number]; close: () => void }) {
  return (
    <RecordForm
      of={place}
      command={store ? "store.change" : "store.add"}
      row={store}
      values={{ temperature: 15, humidity: 50 }}
      draft={store ? `store-${store.id}` : "store"}
      units="metric"
      fields={["name", "temperature", "humidity", "desiccantOn", "desiccantEvery", "note"]}
      submit="Save"
      onDone={close}
    />
  );
}

type Props = { stores: DrawerPage["stores"]; today: string; lots: { id: string; code: string; name: string }[] };

/** Places where seed lies: how warm and dry, when their desiccant is due, and what a logger measured there. */
export function Places({ stores, today, lots }: Props) {
  return (
    <>
      <h2 className="mb-2 text-2xl">{stores.length === 0 ? "Where does your seed lie?" : "Where it lies"}</h2>
      {stores.length === 0 && (
        <p className="mb-3 max-w-prose text-soft">
          Until you say, every lot is taken to lie in a cool, dry room: 15 °C, 50 % humidity. A place that is cooler and
          drier keeps it alive for longer, and the day to sow it by moves.
        </p>
      )}
      <ul className="rows border-y border-rule empty:hidden">
        {stores.map((store) => {
          const due =
            store.desiccantOn && store.desiccantEvery ? addDays(store.desiccantOn, store.desiccantEvery) : null;
          return (
            <li key={store.id} className="grid gap-2 py-3">
              <span>
                <strong>{store.name}</strong>, {plural(store.lots, "lot")}
                <span className="block text-sm text-soft">
                  {store.temperature} °C, {store.humidity} % humidity around the seed
                  {due && (
                    <span className={due <= today ? "font-bold text-rust" : ""}>
                      ; desiccant due {dayInWords(due)} {due.slice(0, 4)}
                    </span>
                  )}
                </span>
              </span>
              <span className="flex flex-wrap gap-2">
                <Sheet trigger="Change" title={store.name} plain>
                  {(close) => <PlaceForm store={store} close={close} />}
                </Sheet>
                {due && (
                  <CommandButton command="store.desiccant" input={{ id: store.id, version: store.version }} plain>
                    Desiccant changed
                  </CommandButton>
                )}
                <Logger store={store} today={today} />
                {store.lots === 0 && (
                  <CommandButton command="store.end" input={{ id: store.id, version: store.version }} plain>
                    Give it up
                  </CommandButton>
                )}
              </span>
            </li>
          );
        })}
      </ul>
      <p className="mt-3 flex flex-wrap gap-3">
        <Sheet trigger="A place for seed" title="A place for seed" strong={stores.length === 0}>
          {(close) => <PlaceForm close={close} />}
        </Sheet>
        {stores.length > 0 && lots.length > 0 && (
          <Sheet trigger="Put lots away" title={`Put ${plural(lots.length, "lot")} away`}>
            {(close) => (
              <CommandForm
                command="lot.store"
                draft="put-away"
                values={{ storeId: stores[0]!.id, since: null }}
                hidden={{ lotIds: lots.map(({ id }) => id) }}
                submit="They lie there"
                onDone={close}
              >
                {(Field) => (
                  <>
                    <p>
                      All that this page of the list shows:{" "}
                      {lots
                        .slice(0, 4)
                        .map(({ name }) => name)
                        .join(", ")}
                      {lots.length > 4 && ` and ${lots.length - 4} more`}. One alone is put away on its own page.
                    </p>
                    <Field
                      name="storeId"
                      label="Into"
                      type="select"
                      choices={stores.map(({ id, name }) => ({ value: id, label: name }))}
                    />
                    <Field name="since" label="Since" type="date" hint="Empty for today." />
                  </>
                )}
              </CommandForm>
            )}
          </Sheet>
        )}
      </p>
      <h3 className="mt-7">Labels</h3>
      <p className="max-w-prose text-sm text-soft">
        One inside and one outside, as ink rubs off: species, variety, source, year, lot. Cool, dark, dry and closed;
        out of the freezer it warms up closed. Treated bought seed is never eaten, and seed stock is kept from children
        and animals.
      </p>
    </>
  );
}
