"use client";
import type { Garden } from "@/records/garden/queries";
import { CommandForm, Field } from "@/ui/CommandForm";

export function GardenForm({ garden }: { garden: Garden }) {
  const kept = garden.version > 0;
  const values = kept
    ? garden
    : { ...garden, latitude: null, longitude: null, timezone: Intl.DateTimeFormat().resolvedOptions().timeZone };
  const { name, latitude, longitude, timezone, lastFrost, firstFrost, units, care, windFrom, station, ripeWanted } =
    values;
  return (
    <CommandForm
      command="garden.set"
      draft="garden"
      values={{
        name,
        latitude,
        longitude,
        timezone,
        lastFrost,
        firstFrost,
        units,
        care,
        windFrom,
        station,
        ripeWanted,
      }}
      hidden={{ version: garden.version }}
      submit={kept ? "Keep the garden" : "Begin with this garden"}
    >
      <Field name="name" label="Name of the place" />
      <div className="grid gap-4 sm:grid-cols-2">
        <Field name="latitude" label="Latitude" type="number" unit="degrees, south is minus" />
        <Field name="longitude" label="Longitude" type="number" unit="degrees, west is minus" />
        <Field
          name="lastFrost"
          label="Last frost, usually"
          hint="Month and day, as 05-20. Empty where there is none."
        />
        <Field name="firstFrost" label="First frost, usually" hint="As 09-25." />
        <Field name="timezone" label="Time zone" hint="As Europe/Zurich." />
        <Field
          name="units"
          label="Units"
          type="select"
          choices={[
            { value: "metric", label: "Metres and grams" },
            { value: "imperial", label: "Feet and ounces" },
          ]}
        />
      </div>
      {kept && (
        <div className="grid gap-4 sm:grid-cols-2">
          <Field
            name="windFrom"
            label="Wind mostly from"
            type="number"
            unit="bearing, degrees"
            hint="West is 270. Empty where it comes from everywhere."
          />
          <Field
            name="station"
            label="Weather station"
            type="select"
            choices={[
              { value: "none", label: "None: normals and my own readings" },
              { value: "simulated", label: "The simulated station: made-up weather, to try things" },
            ]}
          />
          <Field
            name="ripeWanted"
            label="How sure seed must ripen before frost"
            type="select"
            hint="For sowings that the program proposes."
            choices={[
              { value: 0.95, label: "19 years in 20" },
              { value: 0.9, label: "9 years in 10" },
              { value: 0.8, label: "4 years in 5" },
              { value: 0.5, label: "Every second year" },
            ]}
          />
        </div>
      )}
      <Field
        name="care"
        label="Level of care in isolation"
        type="select"
        hint="Which rule-of-thumb distance clashes are judged by."
        choices={[
          { value: "relaxed", label: "Relaxed: seed for my own table" },
          { value: "usual", label: "Usual: seed to share" },
          { value: "strict", label: "Strict: keeping a rare variety" },
        ]}
      />
    </CommandForm>
  );
}
