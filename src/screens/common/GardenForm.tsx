"use client";
import { LOCALES } from "@/core/writing/locale";
import type { Garden } from "@/records/garden/garden";
import { useFormHeard } from "@/ui/formHere";
import { More } from "@/ui/More";
import { CommandForm, type FieldOf } from "./command";
import { CARE, localeInWords, RIPE, STATIONS, UNITS_WORDS } from "./gardenWords";
import { choicesOf } from "./words";

/** Frost days that are questioned can be kept all the same, by saying so. */
function FrostsMeant({ Field }: { Field: FieldOf<"frostsMeant"> }) {
  const form = useFormHeard("errors");
  if (!form.getFieldState("lastFrost").invalid && !form.getFieldState("firstFrost").invalid) return null;
  return (
    <Field
      name="frostsMeant"
      label="The frost days are meant as they stand"
      type="checkbox"
      className="sm:col-span-2"
    />
  );
}

/** What a garden is called that nobody named. */
const CALLED = "My garden";

export function GardenForm({ garden, onDone }: { garden: Garden; onDone?: () => void }) {
  const kept = garden.version !== "";
  const values = kept
    ? garden
    : {
        ...garden,
        latitude: null,
        longitude: null,
        timezone: Intl.DateTimeFormat().resolvedOptions().timeZone,
      };
  const {
    name,
    latitude,
    longitude,
    timezone,
    lastFrost,
    firstFrost,
    units,
    locale,
    care,
    windFrom,
    station,
    ripeWanted,
  } = values;
  return (
    <CommandForm
      command={kept ? "garden.change" : "garden.begin"}
      draft={kept ? "garden-change" : "garden-begin"}
      patch={kept}
      values={{
        name,
        latitude,
        longitude,
        timezone,
        lastFrost,
        firstFrost,
        units,
        locale,
        care,
        windFrom,
        station,
        ripeWanted,
        frostsMeant: false,
      }}
      shape={(typed) => (kept ? typed : { ...typed, name: String(typed.name ?? "").trim() || CALLED })}
      hidden={kept ? { version: garden.version } : undefined}
      onDone={onDone}
      submit={kept ? "Save" : "Begin with this garden"}
    >
      {(Field) => (
        <>
          <Field name="name" label="Name of the place" hint={kept ? undefined : `Blank: ${CALLED}.`} />
          <div className="grid gap-4 sm:grid-cols-2">
            <Field
              name="latitude"
              label="Latitude"
              type="latitude"
              hint="As a map gives it: 44.9 S, 44°54', or both at once."
            />
            <Field name="longitude" label="Longitude" type="longitude" hint="170.2 E, or -70.5." />
            <Field
              name="lastFrost"
              label="Last frost, usually"
              type="day-of-year"
              hint="As 20 May or 20/5. Empty where there is none."
            />
            <Field name="firstFrost" label="First frost, usually" type="day-of-year" hint="As 25 September." />
            <FrostsMeant Field={Field} />
            <Field name="units" label="Units" type="select" choices={choicesOf(UNITS_WORDS)} />
            <Field
              name="locale"
              label="Days and numbers"
              type="select"
              hint="How they are written, and in which order a day is read."
              choices={LOCALES.map((of) => ({ value: of, label: localeInWords(of) }))}
            />
          </div>
          <More of={kept ? "Time zone, level of care, wind and weather" : "Time zone and level of care"}>
            <div className="grid gap-4 sm:grid-cols-2">
              <Field name="timezone" label="Time zone" hint="As Europe/Zurich." />
              <Field
                name="care"
                label="Level of care in isolation"
                type="select"
                hint="Which rule-of-thumb distance clashes are judged by."
                choices={choicesOf(CARE)}
              />
              {kept && (
                <>
                  <Field
                    name="windFrom"
                    label="Wind mostly from"
                    type="bearing"
                    hint="As W, south-west or 225. Empty where it comes from everywhere."
                  />
                  <Field name="station" label="Weather station" type="select" choices={choicesOf(STATIONS)} />
                  <Field
                    name="ripeWanted"
                    label="How sure seed must ripen before frost"
                    type="select"
                    hint="For sowings that the program proposes."
                    choices={RIPE.map(([value, label]) => ({ value, label }))}
                  />
                </>
              )}
            </div>
          </More>
        </>
      )}
    </CommandForm>
  );
}
