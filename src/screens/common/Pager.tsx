import { listAddress } from "@/core/lists/listed";
import { type Cut, LIST_PAGE } from "@/core/lists/page";
import Link from "@/ui/Link";

/** Steps through a long list; nothing when it is short. */
export function Pager({ path, cut }: { path: string; cut: Cut }) {
  const { from, shown, total } = cut;
  if (total <= shown) return null;
  const page = (start: number) => listAddress(path, { from: start });
  return (
    <nav aria-label="Pages of the list" className="mt-4 flex flex-wrap items-center gap-4">
      {from > 0 && (
        <Link className="leaf" href={page(Math.max(0, from - LIST_PAGE))}>
          Before
        </Link>
      )}
      <span className="text-soft">
        {from + 1} to {from + shown} of {total}
      </span>
      {from + shown < total && (
        <Link className="leaf" href={page(from + LIST_PAGE)}>
          Next
        </Link>
      )}
      <span className="text-soft">or press / and type a name</span>
    </nav>
  );
}
