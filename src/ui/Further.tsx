import type { ReactNode } from "react";

type Props = {
  /** What is behind it: "How it is reckoned". */
  of: string;
  children: ReactNode;
};

/** What a page is seldom read for, behind a press. */
export const Further = ({ of, children }: Props) => (
  <details className="print:hidden">
    <summary className="inline-block min-h-11 cursor-pointer py-2 font-semibold text-damson underline">{of}</summary>
    {children}
  </details>
);
