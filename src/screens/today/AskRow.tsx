import { dayInWords } from "@/core/calendar/day";
import type { Asking } from "@/views/today";
import { CommandButton } from "../common/command";
import { Row } from "../common/Part";

/** A neighbour who is to be asked: his letter, and what he said. */
export function AskRow({ asking: { id, version, name, season, askedOn } }: { asking: Asking }) {
  const said = (answer: "asked" | "agreed" | "refused", words: string) => (
    <CommandButton command="source.ask" input={{ id, version, answer }} label={`${words}: ${name}`}>
      {words}
    </CommandButton>
  );
  return (
    <Row
      tag="Neighbour"
      title={<>Ask about {name}</>}
      said={
        <>
          {askedOn ? `Asked on ${dayInWords(askedOn)}. ` : ""}To do without it in {season}:{" "}
          <a className="font-semibold text-damson underline" href={`/api/letters/${id}`}>
            A letter to take along
          </a>
        </>
      }
    >
      <span className="flex flex-wrap justify-end gap-2 max-sm:col-span-2 max-sm:justify-start">
        {!askedOn && said("asked", "Asked")}
        {said("refused", "No")}
        {said("agreed", "Agreed")}
      </span>
    </Row>
  );
}
