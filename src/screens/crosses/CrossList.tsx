"use client";
import { Table } from "@/ui/Table";
import { Tag } from "../common/Tag";

/** A cross in words, as its row shows it. */
export type CrossLine = {
  code: string;
  parents: string;
  gives: string;
  set: string;
  waiting: number;
  doubtful: number;
  lost: number;
  tonight: string;
  toDo: string;
};

const HEADS = ["Cross", "Mother × father", "Gives", "Set / wanted", "Waiting", "Lost", "Tonight", "Still to do"];

export const CrossList = ({ lines }: { lines: CrossLine[] }) => (
  <Table heads={HEADS}>
    {lines.map(({ code, parents, gives, set, waiting, doubtful, lost, tonight, toDo }) => (
      <tr key={code}>
        <td>
          <Tag kind="cross" code={code} href={`/crosses/${code}`} small />
        </td>
        <td className="max-w-80 break-words">{parents}</td>
        <td className="whitespace-nowrap">{gives}</td>
        <td>{set}</td>
        <td>
          {waiting}
          {doubtful > 0 && <span className="text-soft"> +{doubtful} in doubt</span>}
        </td>
        <td>{lost}</td>
        <td className="font-bold">{tonight}</td>
        <td>{toDo}</td>
      </tr>
    ))}
  </Table>
);
