"use client";
import { dayInWords } from "@/core/calendar/day";
import type { Units } from "@/core/units/units";
import { within } from "@/core/units/within";
import type { SeedCall } from "@/views/seedCalls";
import type { Moment, SeedTable } from "@/views/seedTable";
import { CommandButton } from "../common/command";
import { Row } from "../common/Part";
import { Tag } from "../common/Tag";
import { callInWords } from "./moments";
import { CallPress } from "./TableForms";
import { CountTest } from "./TestForms";

type Props = { call: SeedCall; now: Moment; vessels: SeedTable["vessels"]; today: string; units: Units };

/** One thing that seed calls for: what, why now, and the press for it. */
export function CallRow({ call, now, vessels, today, units }: Props) {
  if (call.kind === "count") {
    const { test, last, late } = call;
    return (
      <Row
        tag={<Tag kind="lot" code={test.lotCode} href={`/seed/${test.lotCode}`} />}
        title={`Count ${test.lineName}: ${test.up} of ${test.sown} up`}
        said={
          <>
            Set on {dayInWords(test.on)}; {late ? "its last count was due " : "last count "}
            <span className={late ? "font-bold text-rust" : ""}>{dayInWords(last)}</span>.
          </>
        }
      >
        <CountTest testId={test.id} code={test.lotCode} sown={test.sown} up={test.up} over={today >= last} />
      </Row>
    );
  }
  if (call.kind === "desiccant")
    return (
      <Row
        tag="Place"
        title={`Fresh desiccant for ${call.name}`}
        said={`Due since ${dayInWords(call.due)}: spent, it lets the air inside grow damp.`}
      >
        <CommandButton command="store.desiccant" input={{ id: call.id, version: call.version }}>
          Changed
        </CommandButton>
      </Row>
    );
  const { lot, call: due } = call;
  return (
    <Row
      tag={<Tag kind="lot" code={lot.code} href={`/seed/${lot.code}`} />}
      title={`${lot.name}: ${within(due.title)}`}
      said={
        <>
          {due.how}{" "}
          <span className={due.standing === "late" ? "font-bold text-rust" : ""}>{callInWords(due, now)}</span>
          {due.cautions.map(({ title, caution }) => (
            <span key={title} className="block">
              <strong className="text-rust">{title}.</strong> {caution}
            </span>
          ))}
        </>
      }
    >
      <CallPress lot={lot} call={due} vessels={vessels} units={units} />
    </Row>
  );
}
