import type { Descended } from "@/views/descended";
import { Page } from "../common/Page";
import { Pedigree } from "./Pedigree";

/** Where the plants of a stand or a lot of seed come from, on a page of its own. */
export function DescendedScreen({ band, name, code, notation, pedigree, whole }: Descended & { whole: boolean }) {
  const founder = pedigree.nodes.length < 2;
  return (
    <Page title={`Where ${code} comes from`} band={band}>
      <p className="font-bold">
        {name}, {code}
      </p>
      <h2>{founder ? "It was received: nothing is known of what was before" : `From ${notation}`}</h2>
      <Pedigree pedigree={pedigree} whole={whole} here={`/lines/from/${code}`} file={`/api/pedigree/${code}`} />
    </Page>
  );
}
