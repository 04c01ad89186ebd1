import { dayInWords } from "@/core/calendar/day";
import { timesInTen } from "@/core/units/odds";
import { plural } from "@/core/units/plural";
import Link from "@/ui/Link";
import type { Harvest, HarvestStand } from "@/views/harvest";
import { CommandButton } from "../common/command";
import { Page } from "../common/Page";
import { Pager } from "../common/Pager";
import { Part, Row } from "../common/Part";
import { Tag } from "../common/Tag";
import { spanInWords } from "../common/words";
import { PickForm } from "./PickForm";

const PARTS: { when: HarvestStand["when"]; title: string; said: string }[] = [
  { when: "now", title: "Ripe now", said: "look every few days" },
  { when: "past", title: "Past it", said: "gather what is left, or let it go" },
  { when: "soon", title: "Soon", said: "within three weeks" },
  { when: "later", title: "Later", said: "by the forecast" },
  { when: "in", title: "In", said: "gathered; what ripens after can still be picked" },
];

function headline({ ripe, next, stands }: Harvest): string {
  if (ripe > 0) return `${plural(ripe, "stand")} may be ripe for seed`;
  if (next) return `Nothing is ripe for seed yet; ${next} is next`;
  return stands.some(({ when }) => when === "in")
    ? "The seed of this season is in"
    : "Nothing ripens for seed this season";
}

/** The race with the frost, said only where it is not won. */
function raceInWords({ race, after }: HarvestStand): string {
  if (!race || race.chance > 0.9) return "";
  const indoors = after ? " Fruit brought in before it ripens on indoors." : "";
  return ` It ripens before the frost of about ${dayInWords(race.frost)} ${timesInTen(race.chance)}.${indoors}`;
}

function pickedInWords({ passes, fruits, plants, passesWanted, setAside }: HarvestStand): string {
  if (passes === 0 && setAside.length === 0) return passesWanted ? `0 of ${passesWanted} passes.` : "";
  const of = passesWanted ? ` of ${passesWanted}` : "";
  const from = plants.length > 0 ? ` from plants ${plants.join(", ")}` : "";
  const aside = setAside.reduce((sum, one) => sum + one.fruits, 0);
  return `${plural(fruits, "fruit")} in ${passes}${of} ${passes === 1 && !of ? "pass" : "passes"}${from}${aside > 0 ? `; ${aside} set aside` : ""}.`;
}

function StandRow({ stand }: { stand: HarvestStand }) {
  const { id, version, code, href, name, ripe, sign, releasedOn, passes, passesWanted, lots } = stand;
  const { chosen, description, when } = stand;
  const enough = passesWanted !== null && passes >= passesWanted;
  return (
    <Row
      tag={<Tag kind="stand" code={code} href={href} />}
      title={name}
      said={
        <>
          {sign} Ripe about {dayInWords(ripe.likely)} ({spanInWords(ripe.early, ripe.late)}).
          <strong className="text-rust">{raceInWords(stand)}</strong> {pickedInWords(stand)}{" "}
          {lots.map((lot) => (
            <Link key={lot} href={`/seed/${lot}`} className="mr-2">
              {lot}
            </Link>
          ))}
          {releasedOn && <strong>Released for eating {dayInWords(releasedOn)}.</strong>}
          {enough && !releasedOn && <strong>As often as wanted: it can be released for eating.</strong>}
        </>
      }
    >
      <span className="flex flex-wrap justify-end gap-2 max-sm:col-span-2 max-sm:justify-start">
        {!releasedOn && <PickForm {...{ id, version, code, name, chosen, description, passesWanted, passes, when }} />}
        <a href={`/api/pickers/${code}`} className="leaf leaf-plain">
          Helpers' list
        </a>
        {(passes > 0 || releasedOn) && (
          <CommandButton command="pick.release" input={{ id, version, released: releasedOn ? 0 : 1 }} plain>
            {releasedOn ? "For seed again" : "Release for eating"}
          </CommandButton>
        )}
      </span>
    </Row>
  );
}

/** What ripens for seed, what frost may catch, and what was picked. */
export function HarvestScreen(view: Harvest) {
  const { band, stands, cut, crosses, moreCrosses } = view;
  return (
    <Page
      title="Ripening"
      band={band}
      beside={
        <>
          <h2 className="text-2xl">{crosses.length === 0 ? "No fruit by hand hangs" : "Fruit by hand that hangs"}</h2>
          <ul className="rows my-3 border-y border-rule empty:hidden">
            {crosses.map(({ code, name, fruits, first, last, chance }) => (
              <li key={code} className="py-3">
                <Tag kind="cross" code={code} href={`/crosses/${code}`} small /> <strong>{name}</strong>:{" "}
                {plural(fruits, "fruit")}, ripe {spanInWords(first, last)}
                {chance !== null && chance < 0.9 && (
                  <strong className="text-rust">; before the frost {timesInTen(chance)}</strong>
                )}
              </li>
            ))}
          </ul>
          {moreCrosses > 0 && <p className="mb-3 text-soft">and of {plural(moreCrosses, "cross", "crosses")} more.</p>}
          <p className="max-w-prose text-sm text-soft">
            Fruit from the last of the season selects for lateness; from the biggest alone, against health. Take seed
            from several plants, the best ones, and taste before you save. Heads of equal dryness are cut together,
            before rain, and ripen on under a roof.
          </p>
        </>
      }
    >
      <p className="mb-1">
        <Link href="/seed" className="underline">
          Seed
        </Link>
      </p>
      <h2 className="mb-5 text-2xl">{headline(view)}</h2>
      {PARTS.map(({ when, title, said }) => {
        const here = stands.filter((stand) => stand.when === when);
        if (here.length === 0) return null;
        return (
          <Part key={when} title={title} when={said}>
            {here.map((stand) => (
              <StandRow key={stand.id} stand={stand} />
            ))}
          </Part>
        );
      })}
      <Pager path="/seed/ripening" cut={cut} />
    </Page>
  );
}
