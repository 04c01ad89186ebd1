"use client";
import { useState } from "react";
import type { Id } from "@/core/custody/id";
import { Sheet } from "@/ui/Sheet";
import type { SharingPage } from "@/views/sharing";
import { useCommand } from "../common/command";

type Props = { view: SharingPage; member: { id: Id; name: string } };

/** A member's wishes, in the order in which they are pressed: the dearest first. */
export function SetWishes({ view, member }: Props) {
  return (
    <Sheet trigger="Wishes" title={`${member.name} wishes for`} plain>
      {(close) => <Wishes view={view} member={member} onDone={close} />}
    </Sheet>
  );
}

function Wishes({ view: { day, offers, wishes }, member, onDone }: Props & { onDone: () => void }) {
  const [chosen, setChosen] = useState<Id[]>(() =>
    wishes.filter(({ memberId }) => memberId === member.id).map(({ lotId }) => lotId),
  );
  const { runAloud, busy } = useCommand();
  const press = (id: Id) => setChosen(chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id]);
  const keep = async () => {
    const answer = await runAloud("sharing.wish", { sharingId: day.id, memberId: member.id, lotIds: chosen });
    if (answer?.ok) onDone();
  };
  return (
    <>
      <p className="mb-3 text-soft">Press them in their order, the dearest first. Press again to take one off.</p>
      <ul className="grid gap-2">
        {offers.map(({ lotId, name, lotCode }) => {
          const at = chosen.indexOf(lotId);
          return (
            <li key={lotId}>
              <button
                type="button"
                aria-pressed={at >= 0}
                className="leaf flex min-h-11 w-full items-center justify-between gap-3 text-left aria-pressed:bg-damson aria-pressed:text-on-damson"
                onClick={() => press(lotId)}
              >
                <span className="break-words">
                  {name} {lotCode}
                </span>
                <span>{at >= 0 ? at + 1 : ""}</span>
              </button>
            </li>
          );
        })}
      </ul>
      <button type="button" className="leaf leaf-strong mt-5 min-h-12" disabled={busy} onClick={() => void keep()}>
        Keep the wishes
      </button>
    </>
  );
}
