"use client";
import clsx from "clsx";
import { Command } from "cmdk";
import { useId, useRef, useState } from "react";
import { useController } from "react-hook-form";
import { unmarked } from "@/core/writing/read";

/** Something to choose, by its label or by another of its names; `note` stands beside it. */
export type Pick = { value: string; label: string; names: string[]; note: string };

type Props = { name: string; label: string; choices: Pick[]; none: string };

const MOST = 8;

const plain = (text: string) => unmarked(text).trim();

const namesOf = ({ label, names, note }: Pick) => [label, ...names, note].map(plain);

/** How well a choice fits what is typed: its whole name, its beginning, another name's beginning, within one; none. */
const [WHOLE, BEGINS, ELSE_BEGINS, WITHIN, NOT] = [0, 1, 2, 3, 9];
type Fit = { choice: Pick; rank: number };

/** What fits what is typed, the best first. */
function fitting(typed: string, choices: Pick[]): Fit[] {
  const wanted = plain(typed);
  const rank = (one: Pick) => {
    const names = namesOf(one);
    if (names.some((name) => name === wanted)) return WHOLE;
    if (names[0]!.startsWith(wanted)) return BEGINS;
    if (names.some((name) => name.startsWith(wanted))) return ELSE_BEGINS;
    return names.some((name) => name.includes(wanted)) ? WITHIN : NOT;
  };
  return choices
    .map((choice) => ({ choice, rank: rank(choice) }))
    .filter((one) => one.rank < NOT)
    .sort((a, b) => a.rank - b.rank)
    .slice(0, MOST);
}

/** Several are meant by what is typed and none begins so: a press on Enter would choose one of them blindly. */
const isDoubtful = ([first, second]: Fit[]): boolean =>
  first !== undefined && second !== undefined && first.rank >= ELSE_BEGINS && second.rank === first.rank;

/** One of many, found by typing any of its names. What is typed whole is chosen; anything else is none of them. */
export function PickField({ name, label, choices, none }: Props) {
  const id = useId();
  const known = (value: unknown) => choices.find((one) => one.value === value);
  const { field, fieldState } = useController({
    name,
    rules: {
      validate: (value) =>
        (value ?? "") === "" || known(value) ? true : `“${String(value)}” is none of them. Choose from the list.`,
    },
  });
  const [typed, setTyped] = useState("");
  const [held, setHeld] = useState<unknown>("");
  const [open, setOpen] = useState(false);
  /** Somebody went through the list since typing; or pressed Enter where that says too little. */
  const [looked, setLooked] = useState(false);
  const [asks, setAsks] = useState(false);
  const frame = useRef<HTMLDivElement>(null);
  if (field.value !== held) {
    setHeld(field.value);
    setTyped(known(field.value)?.label ?? String(field.value ?? ""));
  }
  const hold = (value: string, text: string) => {
    setHeld(value);
    setTyped(text);
    field.onChange(value);
  };
  const type = (text: string) => {
    const whole = text.trim() === "" ? [] : choices.filter((one) => namesOf(one).slice(0, -1).includes(plain(text)));
    hold(whole.length === 1 ? whole[0]!.value : text.trim(), text);
    setOpen(true);
    setLooked(false);
    setAsks(false);
  };
  const chosen = known(field.value);
  const list = fitting(chosen && typed === chosen.label ? "" : typed, choices);
  const message = fieldState.error?.message;
  return (
    <div>
      <label htmlFor={id} className="block font-semibold">
        {label}
      </label>
      <Command
        ref={frame}
        shouldFilter={false}
        label={label}
        onBlur={(event) => {
          if (frame.current?.contains(event.relatedTarget)) return;
          setOpen(false);
          field.onBlur();
        }}
        onKeyDown={(event) => {
          if (event.key === "ArrowDown") {
            setOpen(true);
            setLooked(true);
          }
          if (event.key === "Enter" && open && !looked) {
            // What was typed whole is chosen already: the list is open to change it.
            const whole = chosen !== undefined && typed === chosen.label;
            if (!whole && !isDoubtful(list)) return;
            event.preventDefault();
            if (whole) setOpen(false);
            else setAsks(true);
          }
          if (event.key !== "Escape" || !open) return;
          event.stopPropagation();
          setOpen(false);
        }}
        className="relative"
      >
        <Command.Input
          ref={field.ref}
          id={id}
          name={name}
          value={typed}
          onValueChange={type}
          onFocus={(event) => event.currentTarget.select()}
          onClick={() => setOpen(true)}
          placeholder={none}
          aria-expanded={open}
          aria-invalid={message ? true : undefined}
          aria-describedby={`${id}-note`}
        />
        <Command.List
          className={clsx(
            "absolute inset-x-0 top-full z-10 max-h-72 overflow-y-auto border border-ink bg-leaf shadow-lg",
            !open && "hidden",
          )}
        >
          <Command.Empty className="p-2 text-soft">Nothing here is called so.</Command.Empty>
          {asks && (
            <p role="status" className="px-3 py-1 font-semibold">
              Several are called so. Which one?
            </p>
          )}
          {list.map(({ choice: one }) => (
            <Command.Item
              key={one.value}
              value={one.value}
              onSelect={() => {
                hold(one.value, one.label);
                setOpen(false);
              }}
              className="flex min-h-11 cursor-pointer flex-wrap items-center justify-between gap-x-3 px-3 py-1 data-[selected=true]:bg-rule/60"
            >
              <span>
                {one.label}
                <span className="text-sm text-soft">{also(one, typed)}</span>
              </span>
              <i className="text-sm text-soft">{one.note}</i>
            </Command.Item>
          ))}
        </Command.List>
      </Command>
      <p id={`${id}-note`} className="mt-1 text-sm text-soft">
        {message ? <span className="font-semibold text-rust">{message}</span> : chosen && <i>{chosen.note}</i>}
      </p>
    </div>
  );
}

/** The other name by which a choice was found, where it was not its own. */
function also({ label, names }: Pick, typed: string): string {
  const wanted = plain(typed);
  if (wanted === "" || plain(label).includes(wanted)) return "";
  const by = names.find((name) => plain(name).includes(wanted));
  return by ? `, ${by}` : "";
}
