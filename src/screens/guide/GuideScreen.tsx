import Link from "@/ui/Link";
import type { Guide } from "@/views/guide";
import { Page } from "../common/Page";
import { SpeciesList } from "./SpeciesList";

export function GuideScreen({ band, species, grown }: Guide) {
  return (
    <Page title="Guide" band={band}>
      <h2 className="mb-1 text-2xl">Who crosses with whom, and when</h2>
      <p className="mb-5 max-w-prose text-soft">
        Every figure is a range with what it rests on. Your own records come before it.{" "}
        <Link href="/guide/practice" className="font-semibold">
          Practise telling buds
        </Link>
      </p>
      <SpeciesList species={species} grown={grown} />
    </Page>
  );
}
