"use client";
import { dayInWords } from "@/core/calendar/day";
import { plural } from "@/core/units/plural";
import { fixed } from "@/core/writing/numbers";
import Link from "@/ui/Link";
import { Sheet } from "@/ui/Sheet";
import { Table } from "@/ui/Table";
import type { SharingList, SharingPage } from "@/views/sharing";
import { CommandButton, CommandForm } from "../common/command";
import { Page } from "../common/Page";
import { Tag } from "../common/Tag";
import { PassportFile } from "./PassportFile";
import { SetWishes } from "./SetWishes";

const LAW =
  "Sharing, swapping and selling seed have rules that differ from place to place: plant variety rights and licence terms, seed marketing, plant health when seed is sent, invasive and protected plants. The local law comes first.";

function Members({ members }: { members: SharingList["members"] }) {
  return (
    <section className="mt-7">
      <h3>Members</h3>
      <p className="text-sm text-soft">Initials or a number are enough; nothing else is asked.</p>
      <ul className="rows my-2 border-y border-rule empty:hidden">
        {members.map(({ id, version, name }) => (
          <li key={id} className="flex items-center justify-between gap-3 py-1">
            {name}
            <CommandButton command="member.end" input={{ id, version }} plain label={`${name} left`}>
              Left
            </CommandButton>
          </li>
        ))}
      </ul>
      <Sheet trigger="Add a member" title="A member">
        {(close) => (
          <CommandForm command="member.add" draft="member" values={{ name: null }} submit="Add" onDone={close}>
            {(Field) => <Field name="name" label="Initials or number" />}
          </CommandForm>
        )}
      </Sheet>
    </section>
  );
}

/** Days on which seed is shared, and the drawer as files. */
export function SharingListScreen({ band, days, members, today }: SharingList) {
  return (
    <Page
      title="Sharing"
      band={band}
      beside={
        <>
          <h2 className="text-2xl">In and out as files</h2>
          <PassportFile />
          <Members members={members} />
        </>
      }
    >
      <p className="mb-1">
        <Link href="/seed" className="underline">
          Seed
        </Link>
      </p>
      <h2 className="text-2xl">
        {days.length === 0 ? "No day for sharing is set down yet" : `${plural(days.length, "day")} for sharing seed`}
      </h2>
      <p className="mb-4 max-w-prose text-soft">
        What can be spared is offered, members say what they wish for, and packets are allotted in turns, so that nobody
        is always first.
      </p>
      <ul className="rows mb-5 border-y border-rule empty:hidden">
        {days.map(({ id, name, on, closedOn, mostEach }) => (
          <li key={id} className="py-3">
            <Link href={`/seed/sharing/${id}`} className="font-semibold">
              {name}
            </Link>
            , {dayInWords(on, "long")}: {mostEach} packets each{closedOn && "; over"}
          </li>
        ))}
      </ul>
      <Sheet trigger="Set a day down" title="A day for sharing" strong>
        {(close) => (
          <CommandForm
            command="sharing.add"
            draft="sharing"
            values={{ name: null, on: today, mostEach: 5 }}
            submit="Set it down"
            onDone={close}
          >
            {(Field) => (
              <>
                <Field name="name" label="Name" />
                <Field name="on" label="Day" type="date" />
                <Field name="mostEach" label="Packets for each member, at the most" type="number" />
              </>
            )}
          </CommandForm>
        )}
      </Sheet>
      <p className="mt-8 max-w-prose text-sm text-soft">{LAW}</p>
    </Page>
  );
}

function OfferForm({ view, close }: { view: SharingPage; close: () => void }) {
  return (
    <CommandForm
      command="sharing.offer"
      draft={`offer-${view.day.id}`}
      values={{ lotId: null, packets: 5, each: 20 }}
      hidden={{ sharingId: view.day.id }}
      submit="Offer it"
      onDone={close}
    >
      {(Field) => (
        <>
          <Field
            name="lotId"
            label="Lot"
            type="select"
            none="Choose a lot"
            choices={view.offerable.map(({ id, label, free }) => ({
              value: id,
              label: `${label}, ${free} seeds free`,
            }))}
          />
          <div className="grid grid-cols-2 gap-4">
            <Field name="packets" label="Packets" type="number" />
            <Field name="each" label="Seeds in each" type="number" />
          </div>
        </>
      )}
    </CommandForm>
  );
}

function headline({ day, offers, wishes }: SharingPage): string {
  const granted = wishes.filter((wish) => wish.granted === 1).length;
  if (day.closedOn) return `${plural(granted, "packet")} went out on ${day.name}`;
  if (day.allottedOn) return `${granted} of ${plural(wishes.length, "wish", "wishes")} can be granted`;
  if (offers.length === 0) return "What can be spared?";
  return wishes.length === 0 ? "Who wishes for what?" : `${plural(wishes.length, "wish", "wishes")} to allot`;
}

/** One day: what is offered, who wishes for what, what each gets and why, and what came back. */
export function SharingScreen(view: SharingPage) {
  const { band, day, offers, wishes, members, back } = view;
  const open = !day.closedOn;
  const whole = offers.reduce((sum, { packets }) => sum + packets, 0);
  return (
    <Page
      title={day.name}
      band={band}
      beside={
        <>
          <h2 className="text-2xl">{open ? "Wishes" : "What came back"}</h2>
          {open ? (
            <>
              <ul className="rows my-3 border-y border-rule empty:hidden">
                {members.map((member) => (
                  <li key={member.id} className="flex items-center justify-between gap-3 py-2">
                    <span>
                      <strong>{member.name}</strong>{" "}
                      <span className="text-soft">
                        {plural(wishes.filter(({ memberId }) => memberId === member.id).length, "wish", "wishes")}
                      </span>
                    </span>
                    <SetWishes view={view} member={member} />
                  </li>
                ))}
              </ul>
              <Members members={members} />
            </>
          ) : (
            <p className="mt-2">
              {back.returned === 0
                ? `Nothing of the ${plural(back.given, "seed")} that went out came back yet.`
                : `${plural(back.returned, "seed")} came back of ${back.given} given: ${fixed(back.returned / back.given, 1)} for each that went out.`}
            </p>
          )}
          <p className="mt-8 text-sm text-soft">{LAW}</p>
        </>
      }
    >
      <p className="mb-1">
        <Link href="/seed/sharing" className="underline">
          Sharing
        </Link>
      </p>
      <h2 className="text-2xl">{headline(view)}</h2>
      <p className="mb-4 text-soft">
        {day.name}, {dayInWords(day.on, "long")}; {day.mostEach} packets each, {whole} packets in all.
      </p>
      {open && (
        <p className="mb-5 flex flex-wrap gap-3">
          <Sheet trigger="Offer a lot" title="What is offered" strong={offers.length === 0}>
            {(close) => <OfferForm view={view} close={close} />}
          </Sheet>
          {wishes.length > 0 && (
            <CommandButton command="sharing.allot" input={{ sharingId: day.id }} strong={!day.allottedOn}>
              {day.allottedOn ? "Allot again" : "Allot the wishes"}
            </CommandButton>
          )}
          {day.allottedOn && (
            <CommandButton command="sharing.hand-out" input={{ sharingId: day.id }} strong>
              Handed out
            </CommandButton>
          )}
        </p>
      )}
      {offers.length > 0 && (
        <p className="mb-2 text-right">
          <a href={`/api/tags/sharing/${day.id}`} target="_blank" rel="noreferrer" className="underline">
            Labels of all {day.allottedOn ? "that is given" : "that is offered"}
          </a>
        </p>
      )}
      {offers.length > 0 && (
        <Table heads={["Lot", "What", "Packets", "Wished for", ""]}>
          {offers.map((one) => (
            <tr key={one.id}>
              <td>
                <Tag kind="lot" code={one.lotCode} href={`/seed/${one.lotCode}`} small />
              </td>
              <td className="max-w-56 break-words">{one.name}</td>
              <td>
                {one.packets} of {plural(one.each, "seed")}
              </td>
              <td className={one.wished > one.packets ? "font-bold text-rust" : ""}>{one.wished}</td>
              <td className="whitespace-nowrap">
                <a href={`/api/cards/${one.lotCode}`} className="mr-3">
                  Card
                </a>
                {open && (
                  <CommandButton
                    command="sharing.withdraw"
                    input={{ sharingId: day.id, lotId: one.lotId }}
                    plain
                    label={`Do not offer ${one.name}`}
                  >
                    Withdraw
                  </CommandButton>
                )}
              </td>
            </tr>
          ))}
        </Table>
      )}
      {day.allottedOn && (
        <section className="mt-7" aria-label="Pick list">
          <h3>Pick list</h3>
          <ul className="rows mt-1 border-y border-rule">
            {wishes.map(({ id, version, memberName, lineName, lotCode, granted, why, returnedSeeds }) => (
              <li key={id} className="flex flex-wrap items-center justify-between gap-x-4 py-2">
                <span className={granted === 1 ? "" : "text-soft"}>
                  <strong>{memberName}</strong>: {lineName} {lotCode}, {granted === 1 ? why : `not: ${why}`}
                  {returnedSeeds && `; ${plural(returnedSeeds, "seed")} came back`}
                </span>
                {!open && granted === 1 && !returnedSeeds && (
                  <Sheet trigger="Seed came back" title={`Seed of ${lineName} from ${memberName}`} plain>
                    {(close) => (
                      <CommandForm
                        command="sharing.return"
                        draft={`back-${id}`}
                        values={{ seeds: null, on: null }}
                        hidden={{ id, version }}
                        submit="Save"
                        onDone={close}
                      >
                        {(Field) => (
                          <>
                            <p>Put it into the drawer as received seed, too: it is a lot of its own.</p>
                            <Field name="seeds" label="Seeds" type="number" />
                            <Field name="on" label="On" type="date" hint="Empty for today." />
                          </>
                        )}
                      </CommandForm>
                    )}
                  </Sheet>
                )}
              </li>
            ))}
          </ul>
        </section>
      )}
    </Page>
  );
}
