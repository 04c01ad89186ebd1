"use client";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Id } from "@/core/custody/id";
import { kindOf } from "@/core/traits/kinds";
import type { ScoreValue } from "@/core/traits/trait";
import { outbox, post } from "@/ui/outbox";
import { newPress } from "@/ui/press";
import type { BenchPlant, Family, ScoreView, YardstickView } from "@/views/family";
import { useCommand } from "../common/command";

/** A score as it was just given, until the page is drawn anew with it. */
type Given = {
  value: ScoreValue | null;
  typed: string;
  /** The press that gave it. */
  press: Id;
  version: Id | undefined;
  trouble: string | null;
};
export type Shown = {
  value: ScoreValue | null;
  looks: number;
  trouble: string | null;
  /** It was given just now, on this page. */
  fresh: boolean;
};
/** The last score that was given, in words, and the press that gave it. */
export type LastScore = { words: string; entry: Id; trouble: string | null };

const keyOf = (plantId: Id, yardstickId: Id) => `${plantId} ${yardstickId}`;
/** The page is drawn anew once nothing was scored for so long, ms. */
const QUIET = 900;

/** How a typed score looks before the server has read it. */
const meant = (yardstick: YardstickView, typed: string): ScoreValue | null =>
  typed === "" ? null : kindOf(yardstick).meant(typed);

/**
 * Scores given one after the other without waiting for each: shown at once, kept on the device until the server has them, in
 * order; a refused one stays as it was typed, with the reason.
 */
export function useScoring({ scores }: Pick<Family, "scores">) {
  const router = useRouter();
  const { undo } = useCommand();
  const [given, setGiven] = useState<ReadonlyMap<string, Given>>(new Map());
  const [last, setLast] = useState<LastScore | null>(null);
  const latest = useRef(given);
  const underWay = useRef(0);
  const quiet = useRef<ReturnType<typeof setTimeout> | null>(null);
  const put = useCallback((key: string, one: Given) => {
    const next = new Map(latest.current).set(key, one);
    latest.current = next;
    setGiven(next);
  }, []);

  // biome-ignore lint/correctness/useExhaustiveDependencies: a page drawn anew brings what was given, unless more is under way
  useEffect(() => {
    if (underWay.current > 0) return;
    // What was refused stays as it was typed; what still waits on the device is not among what the server drew.
    const waiting = new Set(outbox().waiting.map(({ id }) => id));
    const mine = new Map(
      [...latest.current].filter(([, { trouble, press }]) => trouble !== null || waiting.has(press)),
    );
    latest.current = mine;
    setGiven(mine);
  }, [scores]);
  useEffect(() => () => void (quiet.current && clearTimeout(quiet.current)), []);

  const shown = useCallback(
    (plantId: Id, yardstickId: Id): Shown => {
      const mine = given.get(keyOf(plantId, yardstickId));
      const kept = scores[plantId]?.[yardstickId];
      const looks = kept?.looks ?? 0;
      if (!mine) return { value: kept ?? null, looks, trouble: null, fresh: false };
      return { value: mine.value, looks: Math.max(1, looks), trouble: mine.trouble, fresh: true };
    },
    [given, scores],
  );

  const score = useCallback(
    async (
      plant: Pick<BenchPlant, "id" | "number" | "code">,
      yardstick: YardstickView,
      typed: string,
      again: boolean,
    ) => {
      const key = keyOf(plant.id, yardstick.id);
      const kept: ScoreView | undefined = scores[plant.id]?.[yardstick.id];
      const before = latest.current.get(key);
      const version = before && before.trouble === null ? before.version : kept?.version;
      const words = `${plant.code} plant ${plant.number}: ${yardstick.name} ${typed || "cleared"}`;
      const press = newPress();
      put(key, {
        value: meant(yardstick, typed),
        typed,
        press: press.id,
        version: typed ? press.id : undefined,
        trouble: null,
      });
      setLast({ words, entry: press.id, trouble: null });
      underWay.current++;
      const unseen = version === undefined && typed !== "" && before === undefined;
      // A second look that was just given is set right by the next one.
      const another = again && !(before && before.trouble === null);
      const input = { plantId: plant.id, yardstickId: yardstick.id, value: typed, version, again: another, unseen };
      const answer = await post("score.set", input, words, press);
      underWay.current--;
      if (answer && !answer.ok) {
        const trouble = Object.values(answer.fields ?? {})[0] ?? answer.message;
        put(key, { value: meant(yardstick, typed), typed, press: press.id, version: kept?.version, trouble });
        setLast({ words, entry: press.id, trouble });
      }
      // With the server away drawing the page anew would turn it, and close what is open.
      if (!answer) return;
      if (quiet.current) clearTimeout(quiet.current);
      quiet.current = setTimeout(() => underWay.current === 0 && router.refresh(), QUIET);
    },
    [scores, put, router],
  );

  const takeBack = useCallback(async () => {
    if (!last || last.trouble) return;
    setLast(null);
    latest.current = new Map([...latest.current].filter(([, { press }]) => press !== last.entry));
    setGiven(latest.current);
    await undo(last.entry);
  }, [last, undo]);

  /** What stands in a field that is typed into. */
  const typedOf = useCallback(
    (plantId: Id, yardstick: YardstickView): string => {
      const mine = given.get(keyOf(plantId, yardstick.id));
      if (mine) return mine.typed;
      const kept = scores[plantId]?.[yardstick.id];
      return kept ? kindOf(yardstick).typed(kept.last ?? kept) : "";
    },
    [given, scores],
  );
  return { shown, score, last, takeBack, typedOf };
}
export type Scoring = ReturnType<typeof useScoring>;
