"use client";
import clsx from "clsx";
import { type KeyboardEvent, type MouseEvent, useEffect, useMemo, useRef, useState } from "react";
import type { Id } from "@/core/custody/id";
import { kindOf } from "@/core/traits/kinds";
import { Meanwhile } from "@/ui/Meanwhile";
import type { BenchPlant, Family } from "@/views/family";
import { useCommand } from "../common/command";
import { BarePlants } from "./BarePlants";
import { BenchCell } from "./BenchCell";
import { HowToScore, YardstickChoice } from "./BenchHead";
import { beside, firstOf, reachOf, rowsOf } from "./benchWalk";
import { LastScoreLine } from "./LastScoreLine";
import { PlantSheet } from "./lazySheet";
import { useScoring } from "./useScoring";

/** So many rows may stand in view at once: they are drawn with the page, so that nothing below them moves. */
const SEEN = 12;

const MARK_KEYS = { k: "keep", s: "seed-parent", w: "watch", d: "none" } as const;

type Props = { view: Family & { chosen: number | null } };

/** The family as it is planted: walked with the arrow keys, scored with digits, one yardstick down or one plant across. */
export function Bench({ view }: Props) {
  const { yardsticks, bench, stand } = view;
  const plants = useMemo(() => bench.flatMap((part) => part.plants), [bench]);
  /** One of the family that the page is of, by its number. */
  const own = (number: number | null) =>
    plants.find((one) => one.code === stand.code && one.number === number)?.id ?? null;
  const scored = yardsticks.filter((one) => !kindOf(one).computed);
  const [chosen, setChosen] = useState(firstOf(view.due, scored));
  const yardstick = yardsticks.find(({ id }) => id === chosen) ?? yardsticks[0];
  const [across, setAcross] = useState(false);
  const [again, setAgain] = useState(false);
  const [at, setAt] = useState<Id | null>(plants.find(({ code }) => code === stand.code)?.id ?? null);
  const [typing, setTyping] = useState<string | null>(null);
  const [open, setOpen] = useState<Id | null>(own(view.chosen));
  const grid = useRef<HTMLDivElement>(null);
  const scoring = useScoring(view);
  const { run } = useCommand();
  const rows = useMemo(() => rowsOf(bench), [bench]);
  const standing = useMemo(() => plants.filter(({ removedOn }) => removedOn === null), [plants]);
  // Known lines among them measure the place; they are scored, and not counted.
  const judged = standing.filter(({ checkOfId }) => checkOfId === null);
  const opened = plants.find(({ id }) => id === open);

  const go = (id: Id | undefined) => {
    if (id === undefined) return;
    setTyping(null);
    setAt(id);
    // The cell that is gone to has the focus, so that a reader says it.
    grid.current?.querySelector<HTMLElement>(`[data-plant="${id}"]`)?.focus();
  };
  useEffect(() => {
    if (plants.length > 0 && !plants.some(({ id }) => id === at)) setAt(plants[0]!.id);
  }, [plants, at]);
  if (!yardstick) return <BarePlants view={view} plants={plants} open={open} onOpen={setOpen} />;
  const kind = kindOf(yardstick);
  const { words } = yardstick;

  const place = plants.findIndex(({ id }) => id === at);
  const plant = plants[place];
  const next = () => plants.find(({ removedOn }, i) => i > place && removedOn === null)?.id;
  const goOn = () => {
    if (!across) return go(next());
    const following = scored[scored.findIndex(({ id }) => id === yardstick.id) + 1];
    setChosen(following?.id ?? scored[0]!.id);
    go(following ? plant?.id : next());
  };
  const give = (typed: string) => {
    if (!plant) return;
    void scoring.score(plant, yardstick, typed, again);
    goOn();
  };
  const unscored = () => {
    const open = ({ id }: BenchPlant) => {
      const { value, looks, fresh } = scoring.shown(id, yardstick.id);
      return again ? looks < 2 && !fresh : value === null;
    };
    const waits = standing.filter(open);
    const after = new Set(plants.slice(place + 1).map(({ id }) => id));
    go((waits.find(({ id }) => after.has(id)) ?? waits[0])?.id);
  };
  const turn = (by: 1 | -1) => {
    const now = scored.findIndex(({ id }) => id === yardstick.id);
    setChosen(scored[(now + by + scored.length) % scored.length]!.id);
    setTyping(null);
  };
  /** What is typed is kept by going on, whichever way. */
  const commit = () => {
    if (typing !== null && plant && typing.trim()) void scoring.score(plant, yardstick, typing.trim(), again);
    setTyping(null);
  };

  const walk = (key: string): Id | undefined => {
    switch (key) {
      case "ArrowRight":
        return plants[place + 1]?.id;
      case "ArrowLeft":
        return plants[place - 1]?.id;
      case "Home":
        return plants[0]?.id;
      case "End":
        return plants.at(-1)?.id;
      default: {
        const cell = grid.current?.querySelector<HTMLElement>(`[data-plant="${at}"]`);
        const found = cell && beside(grid.current!, cell, key === "ArrowDown");
        return found?.dataset.plant;
      }
    }
  };

  const onKey = (event: KeyboardEvent) => {
    const { key } = event;
    if (event.altKey || !plant) return;
    if (event.ctrlKey || event.metaKey) {
      if (key.toLowerCase() !== "z") return;
      event.preventDefault();
      void scoring.takeBack();
      return;
    }
    const done = () => event.preventDefault();
    if (/^(Arrow|Home$|End$)/.test(key)) {
      done();
      commit();
      go(walk(key));
    } else if (key === "Enter") {
      done();
      if (typing === null) setOpen(at);
      else if (typing.trim()) give(typing.trim());
      else setTyping(null);
    } else if (key === "Escape" && typing !== null) {
      done();
      setTyping(null);
    } else if (key === "Backspace" || key === "Delete") {
      done();
      if (typing !== null) setTyping(typing.length > 1 ? typing.slice(0, -1) : null);
      else if (scoring.shown(plant.id, yardstick.id).value) void scoring.score(plant, yardstick, "", false);
    } else if (typing === null && kind.byKey(key, words) !== null) {
      done();
      give(kind.byKey(key, words)!);
    } else if (typing === null ? kind.begins(key, words) : kind.goesOn(key, words)) {
      done();
      setTyping((typing ?? "") + key);
    } else if (key === "t" && kind.takesToday) {
      done();
      give(view.today);
    } else if (key === "u") {
      done();
      unscored();
    } else if (key === "," || key === ".") {
      done();
      turn(key === "." ? 1 : -1);
    } else if (key === "o") {
      done();
      setOpen(at);
    } else if (key in MARK_KEYS) {
      done();
      const mark = MARK_KEYS[key as keyof typeof MARK_KEYS];
      void run("plant.mark", { id: plant.id, version: plant.version, mark });
    }
  };
  const onClick = (event: MouseEvent) => {
    const cell = (event.target as HTMLElement).closest<HTMLElement>("[data-plant]");
    if (!cell) return;
    const id = cell.dataset.plant!;
    commit();
    setAt(id);
    // By finger a plant is opened; with a mouse it is gone to, and opened by a second click.
    if (matchMedia("(pointer: coarse)").matches || event.detail > 1) setOpen(id);
  };
  const reach = reachOf(yardstick);
  return (
    <section aria-label="Bench">
      <YardstickChoice
        yardsticks={yardsticks}
        chosen={yardstick.id}
        standing={judged.length}
        scored={(id) => judged.filter((one) => view.scores[one.id]?.[id]).length}
        due={view.due}
        onChoose={setChosen}
      />
      <HowToScore yardstick={yardstick} across={across} again={again} onAcross={setAcross} onAgain={setAgain} />
      <div
        ref={grid}
        role="grid"
        tabIndex={-1}
        aria-label={`Plants by ${yardstick.name}`}
        className="max-h-[62vh] overflow-y-auto border-y border-ink py-2 print:max-h-none"
        onKeyDown={onKey}
        onClick={onClick}
        onFocus={(event) => {
          const id = (event.target as HTMLElement).dataset.plant;
          if (id && id !== at) setAt(id);
        }}
        onBlur={(event) => !event.currentTarget.contains(event.relatedTarget) && commit()}
      >
        {rows.map(({ name, heading, plants: row }, i) => (
          // biome-ignore lint/a11y/useFocusableInteractive: its cells take the focus
          <div
            key={row[0]!.id}
            role="row"
            aria-label={heading ?? name}
            className={clsx(
              "grid grid-cols-[repeat(auto-fill,minmax(3.1rem,1fr))] gap-1.5 px-1 py-1.5",
              i > 0 && "border-t border-rule",
              i >= SEEN && "[contain-intrinsic-size:auto_64px] [content-visibility:auto]",
            )}
          >
            {heading && (
              <span aria-hidden className="col-span-full pt-1 text-sm font-semibold">
                {heading}
              </span>
            )}
            {row.map(({ id, number, code, mark, removedOn, checkOfId }) => {
              const { value, looks, trouble, fresh } = scoring.shown(id, yardstick.id);
              // A second look is blind: what was seen before is hidden, and only said to be there.
              const hidden = again && looks > 0 && !fresh;
              const shown = value ? kind.shown(value) : "";
              const much = value?.number != null && reach && !again ? reach(value.number) : null;
              return (
                <BenchCell
                  key={id}
                  id={id}
                  name={code === stand.code ? `Plant ${number}` : `Plant ${number} of ${code}`}
                  number={number}
                  mark={mark}
                  gone={removedOn !== null}
                  shown={hidden ? (looks > 1 ? "✓" : "") : shown}
                  typing={id === at ? typing : null}
                  much={much}
                  looks={looks}
                  check={checkOfId !== null}
                  pictures={view.photos[id]?.length ?? 0}
                  trouble={trouble !== null}
                  yardstick={yardstick.name}
                  current={id === at}
                />
              );
            })}
          </div>
        ))}
      </div>
      <LastScoreLine last={scoring.last} onUndo={() => void scoring.takeBack()} />
      {opened && (
        <Meanwhile>
          <PlantSheet plant={opened} plants={plants} view={view} scoring={scoring} onGo={setOpen} />
        </Meanwhile>
      )}
    </section>
  );
}
