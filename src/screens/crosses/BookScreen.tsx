"use client";
import { useState } from "react";
import { listAddress } from "@/core/lists/listed";
import { plural } from "@/core/units/plural";
import { Table } from "@/ui/Table";
import type { Book, BookEntry, BookPart } from "@/views/book";
import { ListTools } from "../common/ListTools";
import { Page } from "../common/Page";
import { Pager } from "../common/Pager";
import { BookFile } from "./BookFile";
import { Line } from "./BookLine";
import { BookPage } from "./BookPage";
import { CrossTabs } from "./CrossTabs";

const PATH = "/crosses/book";
const SHOWS = { open: "Open", closed: "Closed", doubt: "In doubt" };
const ORDERS = {
  season: "Season",
  species: "Species",
  mother: "Mother",
  father: "Father",
  method: "Method",
  set: "Most set",
};
const HEADS = ["Cross", "Mother", "Father", "Pollinated", "Flowers", "Set", "Lost", "Seeds"];

export function BookScreen({ band, list, set, flowers, parts }: Book) {
  const [chosen, setChosen] = useState<BookEntry | null>(null);
  const { words, show, by } = list;
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
      <CrossTabs at={PATH} />
      {list.all === 0 && !words ? (
        <p className="max-w-prose">
          No cross has been planned yet. Plan one under To do, or take in a file of crosses on the right.
        </p>
      ) : (
        <>
          <h2 className="mb-4 text-2xl">
            {plural(list.cut.total, "cross", "crosses")}, {set} of {plural(flowers, "flower")} set
          </h2>
          <ListTools path={PATH} looked={list} shows={SHOWS} orders={ORDERS} placeholder="Code, name or note" />
          {parts.length === 0 ? (
            <p>No cross has all of these words.</p>
          ) : (
            <Table heads={HEADS}>
              {parts.map((part) => (
                <Part key={part.name} part={part} chosen={chosen} onChoose={setChosen} />
              ))}
            </Table>
          )}
          <Pager path={listAddress(PATH, { words, show, by })} cut={list.cut} />
        </>
      )}
    </Page>
  );
}

type PartProps = { part: BookPart; chosen: BookEntry | null; onChoose: (entry: BookEntry) => void };

/** Crosses under what they have in common. */
function Part({ part: { name, crosses, set, flowers, entries }, chosen, onChoose }: PartProps) {
  return (
    <>
      {name !== null && (
        <tr className="bg-rule/40">
          <th scope="rowgroup" colSpan={HEADS.length} className="text-ink!">
            {name}{" "}
            <span className="ml-2 font-normal text-soft">
              {plural(crosses, "cross", "crosses")}, {set} set of {plural(flowers, "flower")}
            </span>
          </th>
        </tr>
      )}
      {entries.map((entry) => (
        <Line key={entry.id} entry={entry} on={chosen?.id === entry.id} onChoose={onChoose} />
      ))}
    </>
  );
}
