"use client";
import { useState } from "react";
import { massInWords, type Units } from "@/core/units/units";
import { useScale } from "./useScale";

type Props = {
  /** What the simulated scale has lying on it, grams: what such a thing would weigh. */
  pretend: number;
  units: Units;
  onTake: (grams: number) => void;
};

/** A scale: the one on a serial line where the browser can reach it, or the simulated one. A weight is taken by hand only. */
export function Scale({ pretend, units, onTake }: Props) {
  const { reading, listen } = useScale();
  const [trouble, setTrouble] = useState("");
  const { state } = reading;
  const simulated = async () => {
    setTrouble("");
    try {
      const response = await fetch(
        `/api/devices/scale?grams=${pretend.toFixed(2)}&seed=${Math.floor(Date.now() % 99_991)}`,
      );
      if (!response.ok || !response.body) return setTrouble(await response.text());
      await listen(response.body);
    } catch {
      setTrouble("The scale did not answer. Weigh by hand and type it in.");
    }
  };
  const wired = async () => {
    setTrouble("");
    try {
      const port = await (navigator as SerialNavigator).serial!.requestPort();
      await port.open({ baudRate: 9600 });
      if (port.readable) await listen(port.readable);
    } catch (failure) {
      setTrouble(`No scale could be opened (${(failure as Error).message}). Weigh by hand and type it in.`);
    }
  };
  const take = () => {
    if (state.kind !== "settled") return setTrouble("Nothing was taken: press once it says settled.");
    setTrouble("");
    onTake(state.grams);
  };
  const hasSerial = typeof navigator !== "undefined" && "serial" in navigator;
  return (
    <fieldset className="border border-rule p-3">
      <legend className="px-1 text-sm font-semibold">Scale</legend>
      <p className="text-3xl font-bold tabular-nums" role="status">
        {state.kind === "silent" ? "– –" : massInWords(state.grams, units)}
      </p>
      <p className="mb-2 text-sm text-soft">
        {state.kind === "settled" ? "settled" : state.kind === "moving" ? "still moving" : "nothing to read"}
      </p>
      {(reading.trouble || trouble) && (
        <p role="alert" className="mb-2 text-sm font-semibold text-rust">
          {reading.trouble || trouble}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <button type="button" className="leaf leaf-strong min-h-11" onClick={take}>
          Take it
        </button>
        {hasSerial && (
          <button type="button" className="leaf min-h-11" onClick={() => void wired()}>
            Scale on a cable
          </button>
        )}
        <button type="button" className="leaf min-h-11" onClick={() => void simulated()}>
          Simulated scale
        </button>
      </div>
    </fieldset>
  );
}

/** What browsers that reach serial lines have, and types do not know yet. */
type SerialNavigator = Navigator & {
  serial?: {
    requestPort: () => Promise<{
      open: (o: { baudRate: number }) => Promise<void>;
      readable: ReadableStream<Uint8Array> | null;
    }>;
  };
};
