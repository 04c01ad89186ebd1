import type { CSSProperties, ReactNode } from "react";

/**
 * A ruled table of records. On the phone its rows fold: the first two cells head it, the rest follow with their column's
 * name before them. `wide` names the columns that a phone leaves out; their cells hide themselves.
 */
export function Table({ heads, wide = [], children }: { heads: string[]; wide?: string[]; children: ReactNode }) {
  // The names of the columns, for the style sheet to write before the cells.
  const named = Object.fromEntries(heads.map((head, i) => [`--head-${i + 1}`, `"${head.replaceAll('"', "'")} "`]));
  return (
    <div className="sm:overflow-x-auto">
      <table className="ruled folds w-full" style={named as CSSProperties}>
        <thead>
          <tr>
            {heads.map((head) => (
              <th key={head} scope="col" className={wide.includes(head) ? "max-sm:hidden" : undefined}>
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>{children}</tbody>
      </table>
    </div>
  );
}
