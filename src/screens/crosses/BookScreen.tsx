"use client";
import {
  aggregationFn_sum,
  type Column,
  columnFilteringFeature,
  columnGroupingFeature,
  createColumnHelper,
  createExpandedRowModel,
  createFilteredRowModel,
  createGroupedRowModel,
  createSortedRowModel,
  filterFn_equalsString,
  filterFn_includesString,
  globalFilteringFeature,
  rowAggregationFeature,
  rowExpandingFeature,
  rowSortingFeature,
  sortFn_alphanumeric,
  sortFn_basic,
  tableFeatures,
  useTable,
} from "@tanstack/react-table";
import { useVirtualizer } from "@tanstack/react-virtual";
import clsx from "clsx";
import { useRef, useState } from "react";
import { dayInWords } from "@/core/calendar/day";
import { seasonName } from "@/core/climate/season";
import { generationName } from "@/core/custody/generation";
import type { Book, BookEntry } from "@/views/book";
import { Page } from "../common/Page";
import { Tag } from "../common/Tag";
import { plural } from "../common/words";
import { BookFile } from "./BookFile";
import { BookPage } from "./BookPage";
import { CrossTabs } from "./CrossTabs";

const features = tableFeatures({
  columnFilteringFeature,
  globalFilteringFeature,
  rowSortingFeature,
  columnGroupingFeature,
  rowAggregationFeature,
  rowExpandingFeature,
  filteredRowModel: createFilteredRowModel(),
  groupedRowModel: createGroupedRowModel(),
  sortedRowModel: createSortedRowModel(),
  expandedRowModel: createExpandedRowModel(),
  filterFns: { includesString: filterFn_includesString, equalsString: filterFn_equalsString },
  sortFns: { alphanumeric: sortFn_alphanumeric, basic: sortFn_basic },
  aggregationFns: { sum: aggregationFn_sum },
});

const helper = createColumnHelper<typeof features, BookEntry>();
const count = (key: "wanted" | "pollinated" | "set" | "lost" | "seeds", header: string) =>
  helper.accessor(key, { header, sortFn: "basic", aggregationFn: "sum", enableGrouping: false });
const words = (key: "species" | "mother" | "father" | "method", header: string) =>
  helper.accessor(key, { header, sortFn: "alphanumeric" });

const columns = helper.columns([
  helper.accessor("code", { header: "Cross", sortFn: "alphanumeric", enableGrouping: false }),
  helper.accessor("season", { header: "Season", sortFn: "basic" }),
  words("mother", "Mother"),
  words("father", "Father"),
  helper.accessor("pedigree", { header: "Pedigree", sortFn: "alphanumeric", enableGrouping: false }),
  words("species", "Species"),
  words("method", "Method"),
  helper.accessor((entry) => (entry.closed ? "closed" : "open"), { id: "state", header: "State", sortFn: "basic" }),
  helper.accessor("first", { header: "Pollinated", sortFn: "basic", enableGrouping: false }),
  count("wanted", "Wanted"),
  count("pollinated", "Flowers"),
  count("set", "Set"),
  count("lost", "Lost"),
  count("seeds", "Seeds"),
  helper.accessor("note", { header: "Note", enableGrouping: false, enableSorting: false }),
]);

/** Columns that are searched and grouped by, but have no room of their own in the table. */
const UNSEEN = new Set(["season", "pedigree", "species", "method", "state", "wanted", "note"]);
const GROUPS = ["season", "species", "mother", "father", "method", "state"];
const ROW = 44;

export function BookScreen({ garden, band, entries }: Book) {
  const [chosen, setChosen] = useState<BookEntry | null>(null);
  return (
    <Page
      at="/crosses"
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

const sortOf = (sorted: false | "asc" | "desc") =>
  sorted ? (sorted === "asc" ? "ascending" : "descending") : undefined;

const groupName = (by: string, value: unknown, latitude: number) =>
  by === "season" ? seasonName(Number(value), latitude) : String(value);

type PickerProps = { label: string; column: Column<typeof features, BookEntry, unknown>; values: string[] };

function Picker({ label, column, values }: PickerProps) {
  return (
    <label>
      <span className="block font-semibold">{label}</span>
      <select onChange={(event) => column.setFilterValue(event.target.value || undefined)}>
        <option value="">all</option>
        {values.map((value) => (
          <option key={value}>{value}</option>
        ))}
      </select>
    </label>
  );
}

type LineProps = { entry: BookEntry; on: boolean; onChoose: (entry: BookEntry) => void };

function Line({ entry, on, onChoose }: LineProps) {
  const { code, mother, father, line, generation, closed, first, last, pollinated, set, doubtful } = entry;
  return (
    <tr style={{ height: ROW }} className={clsx("cursor-pointer", on && "bg-rule/50")} onClick={() => onChoose(entry)}>
      <td className="whitespace-nowrap">
        <button type="button" className="cursor-pointer" aria-label={`Read ${code}`} aria-pressed={on}>
          <Tag kind="cross" code={code} small />
        </button>
      </td>
      <td className="max-w-40 truncate" title={mother}>
        {mother}
      </td>
      <td className="max-w-40 truncate" title={`${father}, gives ${line} ${generationName(generation)}`}>
        {father}
      </td>
      <td className="whitespace-nowrap">
        {first ? (first === last ? dayInWords(first) : `${dayInWords(first)} – ${dayInWords(last!)}`) : "–"}
        {closed === 1 && <span className="text-soft"> closed</span>}
      </td>
      <td>{pollinated}</td>
      <td>
        {set}
        {doubtful > 0 && <span className="text-rust"> +{doubtful}?</span>}
      </td>
      <td>{entry.lost}</td>
      <td>{entry.seeds ?? "–"}</td>
    </tr>
  );
}
