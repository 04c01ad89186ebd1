"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { newPress } from "@/ui/press";
import { send } from "@/ui/send";

export function UndoButton({ entry, summary }: { entry: string; summary: string }) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const router = useRouter();
  const undo = async () => {
    setBusy(true);
    const answer = await send("/api/undo", { entry }, newPress());
    setBusy(false);
    setTrouble(answer.ok ? null : answer.message);
    router.refresh();
  };
  return (
    <span className="max-w-md shrink-0 text-right">
      {trouble && (
        <span role="alert" className="mr-2 text-sm font-semibold text-rust">
          {trouble}
        </span>
      )}
      <button
        type="button"
        data-entry={entry}
        className="leaf leaf-plain"
        disabled={busy}
        aria-label={`Undo: ${summary}`}
        onClick={() => void undo()}
      >
        Undo
      </button>
    </span>
  );
}
