"use client";
import { useEffect, useState } from "react";
import { TAG_SIZES } from "@/core/custody/tagShape";
import { plural } from "@/core/units/plural";
import { Sheet } from "@/ui/Sheet";

const PARTS = [
  { value: "flowers", label: "A tag for each flower, and some to come" },
  { value: "bags", label: "A tag for each bag" },
  { value: "packets", label: "Packet tags, one for outside and one for inside" },
] as const;

const AWAY = "The server did not answer; tags are made there.";

type Props = { cross: string; flowers: number };

/** Tags of a cross as a PDF. */
export const TagSheet = (props: Props) => (
  <Sheet trigger="Print tags" title="Tags of this cross" plain>
    {() => <Wanted {...props} />}
  </Sheet>
);

/** Which tags, how large, on what paper, with which square code. */
function Wanted({ cross, flowers }: Props) {
  const [parts, setParts] = useState<string[]>(["flowers", "bags", "packets"]);
  const [size, setSize] = useState({ width: "90", height: "32" });
  const [paper, setPaper] = useState("a4");
  const [code, setCode] = useState("qr");
  const [spare, setSpare] = useState("6");
  const [refused, setRefused] = useState<string | null>(null);
  const query = new URLSearchParams({ cross, parts: parts.join(","), ...size, paper, code, spare });
  const address = `/api/tags/sheet?${query}`;
  const offered = TAG_SIZES.findIndex(({ width, height }) => `${width} ${height}` === `${size.width} ${size.height}`);
  // Whether they can be made so is asked before they are: a sheet of tags nobody can read is paper lost.
  useEffect(() => {
    const asking = new AbortController();
    const later = setTimeout(async () => {
      try {
        const answer = await fetch(`${address}&check=1`, { signal: asking.signal });
        setRefused(answer.ok ? null : await answer.text());
      } catch {
        if (!asking.signal.aborted) setRefused(AWAY);
      }
    }, 300);
    return () => {
      clearTimeout(later);
      asking.abort();
    };
  }, [address]);
  const number = (label: string, value: string, onChange: (value: string) => void) => (
    <label className="block">
      <span className="block font-semibold">{label}</span>
      <input inputMode="numeric" value={value} onChange={(event) => onChange(event.target.value)} />
    </label>
  );
  return (
    <div className="grid gap-4">
      <fieldset className="grid gap-1">
        <legend className="font-semibold">Which</legend>
        {PARTS.map(({ value, label }) => (
          <label key={value} className="flex items-center gap-2">
            <input
              type="checkbox"
              checked={parts.includes(value)}
              onChange={() => setParts(parts.includes(value) ? parts.filter((p) => p !== value) : [...parts, value])}
            />
            {label}
          </label>
        ))}
      </fieldset>
      <label className="block">
        <span className="block font-semibold">Size</span>
        <select
          value={offered}
          onChange={(event) => {
            const { width, height } = TAG_SIZES[Number(event.target.value)] ?? TAG_SIZES[0];
            setSize({ width: String(width), height: String(height) });
          }}
        >
          {offered < 0 && <option value={-1}>As typed</option>}
          {TAG_SIZES.map(({ width, height }, i) => (
            <option key={`${width} ${height}`} value={i}>
              {width} × {height} mm
            </option>
          ))}
        </select>
      </label>
      <div className="grid grid-cols-3 gap-4">
        {number("Width, mm", size.width, (width) => setSize({ ...size, width }))}
        {number("Height, mm", size.height, (height) => setSize({ ...size, height }))}
        {number("Flowers to come", spare, setSpare)}
      </div>
      <div className="grid grid-cols-2 gap-4">
        <label className="block">
          <span className="block font-semibold">Paper</span>
          <select value={paper} onChange={(event) => setPaper(event.target.value)}>
            <option value="a4">A4 sheet</option>
            <option value="letter">Letter sheet</option>
            <option value="single">A page for each tag</option>
          </select>
        </label>
        <label className="block">
          <span className="block font-semibold">Square code</span>
          <select value={code} onChange={(event) => setCode(event.target.value)}>
            <option value="qr">QR</option>
            <option value="datamatrix">Data Matrix, smaller</option>
          </select>
        </label>
      </div>
      <p className="text-sm text-soft">
        {plural(flowers, "flower")} so far. Tags have the shape they have on the screen; print at 100 %.
      </p>
      {refused ? (
        <p className="error" role="alert">
          {refused}
        </p>
      ) : (
        <a className="leaf leaf-strong text-center" href={address}>
          Make the PDF
        </a>
      )}
      <a className="text-center" href={`/api/tags/cross/${cross}`}>
        Only the cross&apos;s own tag
      </a>
    </div>
  );
}
