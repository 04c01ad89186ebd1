"use client";
import { Dialog } from "radix-ui";
import { type Place, useKeysOn } from "./keysOn";
import { Over } from "./Over";

/** The keys of the program, and the switch for those that are pressed by themselves. */
export function Keys({ places, onClose }: { places: Place[]; onClose: () => void }) {
  const [on, setOn] = useKeysOn();
  const rows: [string, string][] = [
    ["Ctrl K", "Find anything"],
    ["/", "Find anything"],
    ["?", "This sheet"],
    ...places.map((p): [string, string] => [`g ${p.key}`, p.label]),
    ["← →", "On the band's stake: a day back or on; Enter sets it"],
    ["← ↑ → ↓", "On a bed: move it by half a metre; with Shift by five"],
    ["Enter ↓ ↑", "In a score: next plant, plant above"],
    ["k s w o d", "On a plant: keep, seed parent, watch, out, undecided"],
    ["u", "On the bench: the next plant without a score"],
    [", .", "On the bench: the yardstick before, and the next"],
  ];
  return (
    <Over
      title="Keys"
      onClose={onClose}
      className="fixed left-1/2 top-[8vh] z-40 max-h-[84vh] w-[30rem] max-w-[94vw] -translate-x-1/2 overflow-y-auto border border-ink bg-leaf p-6 shadow-xl"
    >
      <Dialog.Title className="text-2xl">Keys</Dialog.Title>
      <label className="mt-3 flex min-h-11 items-center gap-3">
        <input type="checkbox" checked={on} onChange={(event) => setOn(event.target.checked)} />
        Keys pressed by themselves work on this device
      </label>
      <table className="ruled mt-3 w-full">
        <tbody>
          {rows.map(([key, what]) => (
            <tr key={key}>
              <th scope="row" className="w-32 whitespace-nowrap">
                <kbd>{key}</kbd>
              </th>
              <td>{what}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Dialog.Close className="leaf mt-4">Close</Dialog.Close>
    </Over>
  );
}
