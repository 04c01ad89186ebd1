import type { ReactNode } from "react";

/**
 * A ruled table of records that scrolls sideways by itself where the page is narrow. `wide` names the columns that a
 * phone leaves out; their cells hide themselves.
 */
export function Table({ heads, wide = [], children }: { heads: string[]; wide?: string[]; children: ReactNode }) {
  return (
    <div className="overflow-x-auto">
      <table className="ruled w-full">
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
