"use client";
import { useRouter } from "next/navigation";
import { type KeyboardEvent, useEffect, useState } from "react";
import type { Id } from "@/core/custody/id";
import type { ScoreValue } from "@/core/selection/ranking";
import { numberTyped } from "@/core/writing/numbers";
import { newPress } from "@/ui/press";
import { send } from "@/ui/send";
import type { YardstickView } from "@/views/nursery";

/** A kept score as it is typed. */
function scoreInWords(yardstick: Pick<YardstickView, "kind">, value: ScoreValue | undefined): string {
  if (!value) return "";
  if (value.word !== null) return value.word;
  return yardstick.kind === "yes-no" ? (value.number === 1 ? "y" : "n") : numberTyped(value.number ?? 0);
}

type Props = {
  plantId: Id;
  number: number;
  yardstick: YardstickView;
  value: (ScoreValue & { version: Id }) | undefined;
};

/** One score: typed, kept on leaving the cell. A refused one stays with its message. */
export function ScoreCell({ plantId, number, yardstick, value }: Props) {
  const kept = scoreInWords(yardstick, value);
  const [typed, setTyped] = useState(kept);
  const [trouble, setTrouble] = useState<string | null>(null);
  const router = useRouter();
  useEffect(() => setTyped(kept), [kept]);

  const save = async () => {
    if (typed.trim() === kept) return setTrouble(null);
    const answer = await send(
      "/api/commands/score.set",
      { plantId, yardstickId: yardstick.id, value: typed, version: value?.version },
      newPress(),
    );
    if (!answer.ok) return setTrouble(answer.message);
    setTrouble(null);
    router.refresh();
  };
  const onKey = (event: KeyboardEvent<HTMLInputElement>) => {
    const down = event.key === "Enter" || event.key === "ArrowDown";
    if (!down && event.key !== "ArrowUp") return;
    event.preventDefault();
    const row = event.currentTarget.closest("tr");
    const next = down ? row?.nextElementSibling : row?.previousElementSibling;
    const cell = next?.querySelector<HTMLInputElement>(`input[data-yardstick="${yardstick.id}"]`);
    if (cell) {
      cell.focus();
      cell.select();
    } else void save();
  };
  return (
    <>
      <input
        data-yardstick={yardstick.id}
        aria-label={`${yardstick.name}, plant ${number}`}
        aria-invalid={trouble ? true : undefined}
        aria-describedby={trouble ? `${plantId}-${yardstick.id}` : undefined}
        inputMode={yardstick.kind === "number" || yardstick.kind === "scale" ? "decimal" : "text"}
        autoComplete="off"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={() => void save()}
        onKeyDown={onKey}
        className="min-w-20 border-rule bg-transparent focus:border-soft focus:bg-leaf"
      />
      {trouble && (
        <p id={`${plantId}-${yardstick.id}`} role="alert" className="max-w-40 text-xs font-semibold text-rust">
          {trouble}
        </p>
      )}
    </>
  );
}
