import { type Day, dayInWords } from "@/core/calendar/day";
import type { Asking } from "@/views/today";
import { CommandButton } from "../common/command";
import { Row } from "../common/Part";
import { InAWeek } from "./LinkRow";

type Props = { asking: Asking; day: Day };

/** A neighbour who is to be asked: the letter to take along, and the answer. */
export function AskRow({ asking: { id, version, name, season, askedOn }, day }: Props) {
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
        <InAWeek input={{ sourceId: id, act: "ask" }} day={day} name={name} />
        {said("refused", "No")}
        {said("agreed", "Agreed")}
      </span>
    </Row>
  );
}
