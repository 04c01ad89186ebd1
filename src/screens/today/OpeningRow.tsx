"use client";
import { type ReactNode, useState } from "react";
import { Row } from "../common/Part";

type Props = { count: number; title: string; said: ReactNode; press: ReactNode; children: ReactNode };

/** A row that stands for several, and opens to each of them. */
export function OpeningRow({ count, title, said, press, children }: Props) {
  const [opened, setOpened] = useState(false);
  return (
    <>
      <Row
        tag={
          <button
            type="button"
            aria-expanded={opened}
            className="min-h-11 text-left font-semibold text-damson underline"
            onClick={() => setOpened(!opened)}
          >
            {opened ? "Close" : `Show the ${count}`}
            <span className="sr-only">: {title}</span>
          </button>
        }
        title={title}
        said={said}
      >
        {press}
      </Row>
      {opened && (
        <li className="pb-3 sm:pl-6">
          <ul className="rows">{children}</ul>
        </li>
      )}
    </>
  );
}
