"use client";
import clsx from "clsx";
import type { Kind } from "@/core/custody/code";
import { tagPolygon } from "@/core/custody/tagShape";
import Link from "@/ui/Link";

const PAD: Record<Kind, string> = {
  cross: "pl-5 pr-4",
  stand: "pl-3 pr-5",
  family: "pl-3 pr-6",
  lot: "pl-3 pr-4",
  plant: "pl-4 pr-3",
  line: "pl-4 pr-3",
  vessel: "px-4",
  flower: "px-5",
};

type Props = { kind: Kind; code: string; href?: string; small?: boolean };

/** A label as it hangs on the thing itself; drawn in the browser, so that a list carries its code and not its outline. */
export function Tag({ kind, code, href, small }: Props) {
  const height = small ? 26 : 32;
  const shape = tagPolygon(kind, height);
  const label = (
    <span className="inline-block align-middle drop-shadow-[0_0_0.6px_var(--ink)]">
      <span className="block bg-ink p-px" style={{ clipPath: shape }}>
        <span
          className={clsx(
            "flex items-center whitespace-nowrap bg-leaf font-bold text-ink",
            PAD[kind],
            small ? "text-xs" : "text-sm",
          )}
          style={{ clipPath: shape, height }}
        >
          {kind === "cross" && (
            <span aria-hidden className="mr-1.5 inline-block size-2 rounded-full border border-ink" />
          )}
          {code}
        </span>
      </span>
    </span>
  );
  return href ? (
    <Link href={href} className="no-underline" title={`${kind} ${code}`}>
      {label}
    </Link>
  ) : (
    label
  );
}
