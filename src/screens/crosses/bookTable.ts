import {
  aggregationFn_sum,
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
} from "@tanstack/react-table";
import { seasonName } from "@/core/climate/season";
import type { BookEntry } from "@/views/book";

export const features = tableFeatures({
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

export const columns = helper.columns([
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
export const UNSEEN = new Set(["season", "pedigree", "species", "method", "state", "wanted", "note"]);

export const GROUPS = ["season", "species", "mother", "father", "method", "state"];

export const sortOf = (sorted: false | "asc" | "desc") =>
  sorted ? (sorted === "asc" ? "ascending" : "descending") : undefined;

export const groupName = (by: string, value: unknown, latitude: number) =>
  by === "season" ? seasonName(Number(value), latitude) : String(value);
