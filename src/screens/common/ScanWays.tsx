"use client";
import { useEffect, useRef, useState } from "react";
import { watchForCode } from "@/ui/camera";
import { simulateScan } from "@/ui/handScanner";

type WaysProps = { said: string; onCode: (code: string) => void; onScanner: () => void };

/** A tag typed, seen by the camera, or read by the simulated scanner. */
export function ScanWays({ said, onCode, onScanner }: WaysProps) {
  const [typed, setTyped] = useState("");
  return (
    <div className="grid gap-8">
      <form
        className="grid gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (typed.trim()) onCode(typed.trim());
        }}
      >
        <label>
          <span className="block font-semibold">Type the code</span>
          <input
            className="min-h-12 text-xl uppercase"
            autoComplete="off"
            autoCapitalize="characters"
            placeholder="X27-014-K"
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
        </label>
        <p className="text-sm text-soft">Its last character checks the others: a slip is named, not guessed.</p>
        {said && (
          <p role="alert" className="font-semibold text-rust">
            {said}
          </p>
        )}
        <button type="submit" className="leaf leaf-strong min-h-14 text-lg">
          Open it
        </button>
      </form>
      <Camera onCode={onCode} />
      <section>
        <h3>Hand scanner</h3>
        <p className="mb-2 mt-1 text-sm text-soft">
          One that types into the computer works on every page: point and press. Without one, the simulated scanner
          reads the code typed above.
        </p>
        <button
          type="button"
          className="leaf min-h-12"
          disabled={!typed.trim()}
          onClick={() => {
            onScanner();
            simulateScan(typed.trim());
          }}
        >
          Press the simulated scanner
        </button>
      </section>
    </div>
  );
}

function Camera({ onCode }: { onCode: (code: string) => void }) {
  const video = useRef<HTMLVideoElement>(null);
  const stop = useRef<(() => void) | null>(null);
  const [state, setState] = useState<"off" | "on">("off");
  const [trouble, setTrouble] = useState("");
  useEffect(() => () => stop.current?.(), []);
  const start = async () => {
    setTrouble("");
    setState("on");
    try {
      stop.current = await watchForCode(video.current!, onCode);
    } catch (failure) {
      setState("off");
      setTrouble(`The camera can't be used here (${(failure as Error).message}). Type the code instead.`);
    }
  };
  return (
    <section>
      <h3>Camera</h3>
      <video
        ref={video}
        muted
        playsInline
        className={state === "on" ? "mt-2 w-full border border-ink" : "hidden"}
        aria-label="What the camera sees"
      />
      {state === "off" && (
        <button type="button" className="leaf mt-2 min-h-12" onClick={() => void start()}>
          Look through the camera
        </button>
      )}
      {trouble && (
        <p role="alert" className="mt-2 text-sm font-semibold text-rust">
          {trouble}
        </p>
      )}
    </section>
  );
}
