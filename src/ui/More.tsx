"use client";
import { type ReactNode, useEffect, useRef, useState } from "react";
import { useFormHeard } from "./formHere";

type Props = {
  /** What is behind it: "Its winter". */
  of: string;
  children: ReactNode;
};

/** What a form is seldom asked for, opened by a press, and by itself where something in it was refused. */
export function More({ of, children }: Props) {
  const [open, setOpen] = useState(false);
  const form = useFormHeard("errors");
  const inside = useRef<HTMLDivElement>(null);
  const { errors } = form.formState;
  // biome-ignore lint/correctness/useExhaustiveDependencies: whenever what is refused changes
  useEffect(() => {
    const wrong = inside.current?.querySelector<HTMLElement>("[aria-invalid=true]");
    if (!wrong) return;
    setOpen(true);
    // Once it is shown.
    setTimeout(() => wrong.focus());
  }, [errors]);
  // What was typed before a reload is not put out of sight.
  useEffect(() => {
    const look = () => {
      const fields = inside.current?.querySelectorAll<HTMLInputElement>("[name]") ?? [];
      if ([...fields].some(({ name }) => form.getFieldState(name).isDirty)) setOpen(true);
    };
    const timer = setTimeout(look);
    return () => clearTimeout(timer);
  }, [form]);
  return (
    <div>
      <button
        type="button"
        aria-expanded={open}
        className="flex min-h-11 w-full items-center justify-between gap-2 text-left font-semibold text-damson"
        onClick={() => setOpen(!open)}
      >
        <span className="underline">{of}</span>
        <span aria-hidden>{open ? "−" : "+"}</span>
      </button>
      <div ref={inside} hidden={!open} className="mb-4">
        {children}
      </div>
    </div>
  );
}
