"use client";
import clsx from "clsx";
import { useRouter } from "next/navigation";
import { useEffect, useId, useRef, useState } from "react";
import { type Listed, listAddress } from "@/core/lists/listed";
import Link from "@/ui/Link";
import { sentence } from "./words";

/** A hand that types pauses so long before the list is asked for, ms. */
const PAUSE = 250;

export type ListAskedProps = {
  path: string;
  looked: Pick<Listed<unknown>, "words" | "show" | "by" | "counts" | "all">;
  /** What the choices and the orders are called. */
  shows: Record<string, string>;
  orders: Record<string, string>;
  placeholder: string;
};

/** Words, choices and orders of a list as `ListTools` hands them on, kept in the address: a list looked at in one way can be kept and gone back to. */
export function ListAsked({ path, looked, shows, orders, placeholder }: ListAskedProps) {
  const { show, by, counts, all } = looked;
  const router = useRouter();
  const id = useId();
  const [words, setWords] = useState(looked.words);
  const asked = useRef(looked.words);
  useEffect(() => {
    if (words === asked.current) return;
    const later = setTimeout(() => {
      asked.current = words;
      router.replace(listAddress(path, { words, show, by }), { scroll: false });
    }, PAUSE);
    return () => clearTimeout(later);
  }, [words, path, show, by, router]);
  const choice = (one: string | null, name: string, count: number) => (
    <Link
      key={name}
      href={listAddress(path, { words, show: one, by })}
      scroll={false}
      className={clsx("leaf", show === one && "leaf-strong")}
      aria-current={show === one ? "page" : undefined}
    >
      {sentence(name)}: {count}
    </Link>
  );
  return (
    <search className="mb-4 flex flex-wrap items-center gap-2 print:hidden">
      <form className="contents" action={path.split("?")[0]}>
        <label className="sr-only" htmlFor={id}>
          {placeholder}
        </label>
        <input
          id={id}
          type="search"
          name="q"
          value={words}
          placeholder={placeholder}
          autoComplete="off"
          className="w-56! max-sm:w-full!"
          onChange={(event) => setWords(event.target.value)}
        />
      </form>
      {choice(null, "All", all)}
      {Object.entries(shows)
        .filter(([one]) => counts[one]! > 0 || show === one)
        .map(([one, name]) => choice(one, name, counts[one]!))}
      <label className="ml-auto flex items-center gap-2 text-soft">
        By
        <select
          className="w-auto!"
          value={by}
          onChange={(event) =>
            router.replace(listAddress(path, { words, show, by: event.target.value }), { scroll: false })
          }
        >
          {Object.entries(orders).map(([one, name]) => (
            <option key={one} value={one}>
              {name}
            </option>
          ))}
        </select>
      </label>
    </search>
  );
}
