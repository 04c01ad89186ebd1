import Link from "next/link";
import { Table } from "@/ui/Table";
import type { Guide } from "@/views/guide";
import { Page } from "../common/Page";

export function GuideScreen({ band, species, grown }: Guide) {
  return (
    <Page at="/guide" title="Guide" band={band}>
      <h2 className="mb-1 text-2xl">Who crosses with whom, and when</h2>
      <p className="mb-5 max-w-prose text-soft">
        Every figure is a range with what it rests on. Your own records come before it.
      </p>
      <Table heads={["Species", "Lives", "Pollinates", "Flower", "Crosses with"]}>
        {species.map((s) => (
          <tr key={s.id}>
            <td className="whitespace-nowrap">
              <Link href={`/guide/${s.id}`} className="font-semibold">
                {s.name}
              </Link>
              <span className="block text-sm italic text-soft">{s.binomial}</span>
              {grown.includes(s.id) && <span className="text-sm text-moss">you grow it</span>}
            </td>
            <td>{s.lifeCycle}</td>
            <td>
              {s.breeding}, by {s.vector}
              <span className="block text-sm text-soft">
                {Math.round(s.outcrossing.low * 100)}–{Math.round(s.outcrossing.high * 100)} % of seed has another
                father
              </span>
            </td>
            <td>{s.flowerType}</td>
            <td className="max-w-sm">{s.crossesWith}</td>
          </tr>
        ))}
      </Table>
    </Page>
  );
}
