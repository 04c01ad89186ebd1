"use client";
import { createContext, useContext, useEffect, useReducer } from "react";
import type { UseFormReturn } from "react-hook-form";

/** The form that fields stand in. What forms are made of is fetched with the first of them: pieces that only look at theirs ask here. */
export const FormHere = createContext<UseFormReturn | null>(null);

export function useFormHere(): UseFormReturn {
  const form = useContext(FormHere);
  if (!form) throw new Error("A field stands in no form.");
  return form;
}

/** The same, drawn anew whenever what is typed, or what is wrong with it, changes. */
export function useFormHeard(of: "values" | "errors"): UseFormReturn {
  const form = useFormHere();
  const [, again] = useReducer((times: number) => times + 1, 0);
  useEffect(() => form.subscribe({ formState: { [of]: true }, callback: again }), [form, of]);
  return form;
}
