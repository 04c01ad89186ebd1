"use client";
import { useTable } from "@tanstack/react-table";
import { useVirtualizer } from "@tanstack/react-virtual";
import { useRef, useState } from "react";
import { plural } from "@/core/units/plural";
import type { Book, BookEntry } from "@/views/book";
import { Page } from "../common/Page";
import { BookFile } from "./BookFile";
import { Line, Picker, ROW } from "./BookLine";
import { BookPage } from "./BookPage";
import { columns, features, GROUPS, groupName, sortOf, UNSEEN } from "./bookTable";
import { CrossTabs } from "./CrossTabs";

export function BookScreen({ garden, band, entries }: Book) {
  const [chosen, setChosen] = useState<BookEntry | null>(null);
  return (
    <Page
      title="Cross book"
      band={band}
      beside={
        chosen ? (
          <BookPage key={chosen.id} entry={chosen} />
        ) : (
          <>
            <h2>The book of crosses</h2>
            <p className="mt-2">Choose a line to read its flowers, what became of them and the seed.</p>
            <BookFile />
          </>
        )
      }
    >
      <CrossTabs at="/crosses/book" />
      {entries.length === 0 ? (
        <p className="max-w-prose">
          No cross has been planned yet. Plan one under To do, or take in a file of crosses on the right.
        </p>
      ) : (
        <BookTable entries={entries} latitude={garden.latitude} chosen={chosen} onChoose={setChosen} />
      )}
    </Page>
  );
}

type TableProps = {
  entries: BookEntry[];
  latitude: number;
  chosen: BookEntry | null;
  onChoose: (entry: BookEntry) => void;
};

function BookTable({ entries, latitude, chosen, onChoose }: TableProps) {
  const box = useRef<HTMLDivElement>(null);
  const table = useTable({
    features,
    columns,
    data: entries,
    globalFilterFn: "includesString",
    initialState: { expanded: true, sorting: [] },
    getRowId: (entry) => String(entry.id),
  });
  const rows = table.getRowModel().rows;
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW,
    overscan: 12,
    initialRect: { width: 800, height: 600 },
  });
  const items = virtual.getVirtualItems();
  const above = items[0]?.start ?? 0;
  const below = virtual.getTotalSize() - (items.at(-1)?.end ?? 0);
  const column = (id: string) => table.getColumn(id)!;
  const shown = table.getAllLeafColumns().filter((c) => !UNSEEN.has(c.id));
  const grouping = table.state.grouping[0] ?? "";
  const found = table.getFilteredRowModel().rows.length;
  return (
    <>
      <div className="mb-4 flex flex-wrap items-end gap-4">
        <label className="grow">
          <span className="block font-semibold">Search</span>
          <input
            type="search"
            placeholder="code, name, pedigree, note"
            onChange={(event) => table.setGlobalFilter(event.target.value)}
          />
        </label>
        <label>
          <span className="block font-semibold">State</span>
          <select onChange={(event) => column("state").setFilterValue(event.target.value || undefined)}>
            <option value="">all</option>
            <option value="open">open</option>
            <option value="closed">closed</option>
          </select>
        </label>
        <Picker
          label="Species"
          column={column("species")}
          values={[...new Set(entries.map((e) => e.species))].sort()}
        />
        <label>
          <span className="block font-semibold">Group by</span>
          <select
            value={grouping}
            onChange={(event) => table.setGrouping(event.target.value ? [event.target.value] : [])}
          >
            <option value="">nothing</option>
            {GROUPS.map((id) => (
              <option key={id} value={id}>
                {String(column(id).columnDef.header).toLowerCase()}
              </option>
            ))}
          </select>
        </label>
      </div>
      <p role="status" className="mb-2 text-sm text-soft">
        {found === entries.length ? `${entries.length} crosses` : `${found} of ${entries.length} crosses`}
      </p>
      <section
        ref={box}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls must be reached by keyboard
        tabIndex={0}
        aria-label="Crosses"
        className="relative max-h-[65vh] overflow-auto"
      >
        <table className="ruled w-full">
          <thead className="sticky top-0 z-10 bg-paper">
            <tr>
              {shown.map((c) => (
                <th key={c.id} scope="col" aria-sort={sortOf(c.getIsSorted())}>
                  <button
                    type="button"
                    className="cursor-pointer whitespace-nowrap font-bold"
                    onClick={c.getToggleSortingHandler()}
                  >
                    {String(c.columnDef.header)}
                    <span aria-hidden>{{ asc: " ↑", desc: " ↓" }[String(c.getIsSorted())] ?? ""}</span>
                  </button>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            <tr aria-hidden style={{ height: above }} />
            {items.map(({ index }) => {
              const row = rows[index]!;
              if (row.getIsGrouped())
                return (
                  <tr key={row.id} style={{ height: ROW }} className="bg-rule/40">
                    <td colSpan={shown.length}>
                      <button
                        type="button"
                        className="cursor-pointer font-bold"
                        aria-expanded={row.getIsExpanded()}
                        onClick={row.getToggleExpandedHandler()}
                      >
                        {row.getIsExpanded() ? "▾" : "▸"}{" "}
                        {groupName(grouping, row.getGroupingValue(grouping), latitude)}
                      </button>{" "}
                      <span className="text-soft">
                        {row.subRows.length === 1 ? "1 cross" : `${row.subRows.length} crosses`},{" "}
                        {String(row.getValue("set") ?? 0)} set of{" "}
                        {plural(Number(row.getValue("pollinated") ?? 0), "flower")}
                      </span>
                    </td>
                  </tr>
                );
              return <Line key={row.id} entry={row.original} on={chosen?.id === row.original.id} onChoose={onChoose} />;
            })}
            <tr aria-hidden style={{ height: below }} />
          </tbody>
        </table>
      </section>
    </>
  );
}
