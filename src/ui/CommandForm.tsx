"use client";
import clsx from "clsx";
import { useRouter } from "next/navigation";
import {
  createContext,
  type FormEvent,
  type ReactNode,
  useContext,
  useEffect,
  useId,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
} from "react";
import { type FieldValues, FormProvider, useForm, useFormContext } from "react-hook-form";
import { FormHere } from "./formHere";
import { ReadField } from "./ReadField";
import { type Kind, readerOf } from "./readers";
import type { Answer } from "./send";
import { useCommand } from "./useCommand";
import { useGo } from "./useGo";

type Props = {
  command: string;
  /** What the fields hold at first; a change of these from the server shows unless something was typed. */
  values: Record<string, string | number | boolean | null | undefined>;
  /** Sent along unseen: ids, the version that was read. */
  hidden?: Record<string, unknown>;
  submit: string;
  /** Names the unfinished form, so that a reload keeps what was typed. */
  draft: string;
  /** Factors from what is typed to what is kept, by field. */
  factors?: Record<string, number>;
  onDone?: (answer: Answer) => void;
  goTo?: (answer: Answer) => string;
  /** Reads the filled-in form once more before it is sent. */
  shape?: (values: FieldValues) => Record<string, unknown>;
  extra?: ReactNode;
  /** Sends only what differs from what the form began with: the command changes a row and leaves the rest of it alone. */
  patch?: boolean;
  /** For work away from the server: what is kept on the device, in words, until it answers again. */
  kept?: string;
  children: ReactNode;
};

const Kept = createContext<Record<string, string>>({});

function readDraft(key: string): Record<string, unknown> | null {
  try {
    const kept: unknown = JSON.parse(sessionStorage.getItem(key) ?? "null");
    return typeof kept === "object" && !Array.isArray(kept) ? (kept as Record<string, unknown> | null) : null;
  } catch {
    // A draft that can't be read is no draft.
    return null;
  }
}

/** Keeps what was typed and nothing else: the rest of the form shows what is stored by then. */
function keepDraft(key: string, typed: FieldValues, began: FieldValues): void {
  const own = Object.entries(typed).filter(([name, value]) => String(value ?? "") !== String(began[name] ?? ""));
  try {
    sessionStorage.setItem(key, JSON.stringify(Object.fromEntries(own)));
  } catch {
    // A device without room keeps no drafts; the form itself still holds what was typed.
  }
}

/** The field whose whole text is chosen: the next key takes its place, also once the page has brought another text. */
function chosenWhole(): HTMLInputElement | null {
  const field = document.activeElement;
  if (!(field instanceof HTMLInputElement) || !field.value) return null;
  return field.selectionStart === 0 && field.selectionEnd === field.value.length ? field : null;
}

const empty = (values: Props["values"]) =>
  Object.fromEntries(Object.entries(values).map(([name, value]) => [name, value ?? ""]));

export function CommandForm(props: Props) {
  const {
    command,
    values,
    hidden,
    submit,
    draft,
    factors = {},
    onDone,
    goTo,
    shape,
    extra,
    patch,
    kept,
    children,
  } = props;
  const form = useForm({ defaultValues: empty(values) as FieldValues });
  const { run, runKept, busy } = useCommand();
  const router = useRouter();
  const go = useGo();
  const [trouble, setTrouble] = useState<Answer | null>(null);
  const [ready, setReady] = useState(false);
  /** A form that was sent leaves no draft, whatever is still heard of its fields. */
  const finished = useRef(false);
  /** Whether something was typed that is not stored, as it is now: what was drawn last may not know it yet. */
  const typedOn = useRef(false);
  const chosen = useRef<HTMLInputElement | null>(null);
  const key = `draft:${draft}`;
  const shown = JSON.stringify(empty(values));

  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when the form first stands in the browser
  useEffect(() => {
    const drafted = readDraft(key);
    for (const [name, value] of Object.entries(drafted ?? {})) {
      form.setValue(name, value, { shouldDirty: true });
      typedOn.current = true;
    }
    setReady(true);
    const watching = form.subscribe({
      formState: { values: true, isDirty: true },
      callback: ({ values: typed, isDirty }) => {
        typedOn.current = isDirty === true;
        if (isDirty && !finished.current) keepDraft(key, typed, form.formState.defaultValues ?? {});
      },
    });
    return watching;
  }, []);

  // biome-ignore lint/correctness/useExhaustiveDependencies: only when the server's values change
  useEffect(() => {
    if (!ready || typedOn.current) return;
    chosen.current = chosenWhole();
    form.reset(JSON.parse(shown) as FieldValues);
  }, [shown]);
  // The fields have their new texts once this is drawn.
  useLayoutEffect(() => {
    chosen.current?.select();
    chosen.current = null;
  });

  const submitted = form.handleSubmit(async (typed) => {
    setTrouble(null);
    const shaped = shape ? shape(typed) : typed;
    // What the fields began with, not what the server holds by now: an untouched field is none of this form's changes.
    const began = { ...(form.formState.defaultValues as FieldValues) };
    const from = shape ? shape(began) : began;
    const text = (value: unknown) => (typeof value === "object" ? JSON.stringify(value ?? "") : String(value ?? ""));
    const sent = Object.entries(shaped).filter(([name, value]) => !patch || text(value) !== text(from[name]));
    const scaled = Object.fromEntries(
      sent.map(([name, value]) => {
        const factor = factors[name];
        return [name, factor && value !== "" && Number.isFinite(Number(value)) ? Number(value) * factor : value];
      }),
    );
    const input = { ...scaled, ...hidden };
    const answer = await (kept ? runKept(command, input, kept) : run(command, input));
    if (!answer) return;
    if (answer.ok) {
      finished.current = true;
      sessionStorage.removeItem(key);
      form.reset(JSON.parse(shown) as FieldValues);
      onDone?.(answer);
      if (goTo) go(goTo(answer));
      return;
    }
    setTrouble(answer);
    for (const [name, message] of Object.entries(answer.fields ?? {})) form.setError(name, { message });
    const first = Object.keys(answer.fields ?? {})[0];
    if (first) form.setFocus(first);
    // The newer version comes in beside what is typed; sending again then puts this over it knowingly.
    if (answer.kind === "conflict") router.refresh();
  });

  // What the server refused of no field of its own would otherwise hold the form back for good.
  const save = (event: FormEvent) => {
    finished.current = false;
    form.clearErrors();
    return submitted(event);
  };

  const loadNewer = () => {
    sessionStorage.removeItem(key);
    form.reset(JSON.parse(shown) as FieldValues);
    setTrouble(null);
  };
  const unplaced = trouble && !Object.keys(trouble.fields ?? {}).some((name) => name in form.getValues());

  return (
    <FormProvider {...form}>
      <FormHere.Provider value={form}>
        <Kept.Provider value={trouble?.fields ?? {}}>
          <form onSubmit={save} noValidate className="grid gap-4" data-ready={ready}>
            {children}
            {unplaced && (
              <p role="alert" className="border-l-4 border-rust pl-3 text-rust">
                {trouble.message}{" "}
                {trouble.kind === "conflict" && (
                  <button type="button" className="leaf leaf-plain" onClick={loadNewer}>
                    Load the newer version
                  </button>
                )}
              </p>
            )}
            <div className="flex flex-wrap items-center gap-3">
              <button type="submit" disabled={busy || !ready} className="leaf leaf-strong">
                {submit}
              </button>
              {extra}
            </div>
          </form>
        </Kept.Provider>
      </FormHere.Provider>
    </FormProvider>
  );
}

type Choice = { value: string | number; label: string };
type FieldProps = {
  name: string;
  label: string;
  hint?: ReactNode;
  type?: "text" | Kind | "textarea" | "select" | "checkbox";
  unit?: string;
  choices?: Choice[];
  /** First line of a select, standing for nothing chosen. */
  none?: string;
  className?: string;
};

const PLAIN = ["text", "textarea", "select", "checkbox"];
/** The kind of a field that reads what is typed; null for the others. */
const kindOf = (type: string): Kind | null => (PLAIN.includes(type) ? null : (type as Kind));

export function Field({ name, label, hint, type = "text", unit, choices, none, className }: FieldProps) {
  const { register, formState } = useFormContext();
  const kept = useContext(Kept);
  const id = useId();
  const message = (formState.errors[name]?.message as string | undefined) ?? kept[name];
  const described = [message && `${id}-error`, hint && `${id}-hint`].filter(Boolean).join(" ");
  const kind = kindOf(type);
  const reader = useMemo(() => kind && readerOf(kind, unit), [kind, unit]);
  const plain = () => {
    const said = { "aria-invalid": message ? true : undefined, "aria-describedby": described || undefined };
    const own = { id, ...said, ...register(name) };
    switch (type) {
      case "textarea":
        return <textarea rows={4} {...own} />;
      case "select":
        return (
          <select {...own}>
            {none !== undefined && <option value="">{none}</option>}
            {choices?.map((choice) => (
              <option key={`${choice.value} ${choice.label}`} value={choice.value}>
                {choice.label}
              </option>
            ))}
          </select>
        );
      case "checkbox":
        return <input type="checkbox" {...own} />;
      default:
        return <input type="text" autoComplete="off" {...own} />;
    }
  };
  return (
    <div className={clsx(type === "checkbox" && "grid grid-cols-[auto_1fr] items-center gap-x-2", className)}>
      <label htmlFor={id} className={clsx("block font-semibold", type === "checkbox" && "order-2")}>
        {label}
        {unit && <span className="font-normal text-soft"> ({unit})</span>}
      </label>
      {kind && reader ? (
        <ReadField
          name={name}
          kind={kind}
          reader={reader}
          id={id}
          described={described}
          wrong={message !== undefined}
        />
      ) : (
        plain()
      )}
      {message && (
        <p id={`${id}-error`} className="order-3 col-span-2 mt-1 text-sm font-semibold text-rust">
          {message}
        </p>
      )}
      {hint && (
        <p id={`${id}-hint`} className="order-3 col-span-2 mt-1 text-sm text-soft">
          {hint}
        </p>
      )}
    </div>
  );
}
