"use client";
import clsx from "clsx";
import { useEffect, useState } from "react";
import { STAGES, type Stage } from "@/core/pollination/protocol";
import { answered, NOTHING_YET, nextCard, type Progress, wrongOnes } from "@/core/practice/practice";
import { plural } from "@/core/units/plural";
import Link from "@/ui/Link";
import type { Practice, PracticeCard } from "@/views/practice";
import { FlowerStage, StageRow } from "../common/drawings/FlowerStage";
import { Page } from "../common/Page";

const KEPT = "practice";

/** Cards in an order that mixes protocols and stages: every card once, far from its like. */
function mixed(cards: PracticeCard[]): PracticeCard[] {
  const STRIDE = 31;
  return cards.map((_, i) => cards[(i * STRIDE) % cards.length]!);
}

/** Shows a flower and asks what to do; what was got wrong comes back. Progress stays on this device. */
export function PracticeScreen({ band, cards }: Practice) {
  const [progress, setProgress] = useState<Progress | null>(null);
  const [answer, setAnswer] = useState<Stage | null>(null);
  const [asked, setAsked] = useState<PracticeCard | null>(null);
  const keys = mixed(cards).map((c) => c.key);
  const draw = (known: Progress) => {
    setAnswer(null);
    setAsked(cards.find((c) => c.key === nextCard(keys, known)) ?? cards[0]!);
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when the page first stands in the browser
  useEffect(() => {
    const kept = localStorage.getItem(KEPT);
    const known = kept ? (JSON.parse(kept) as Progress) : NOTHING_YET;
    setProgress(known);
    draw(known);
  }, []);
  const choose = (stage: Stage) => {
    if (!asked || !progress || answer) return;
    const next = answered(progress, asked.key, stage === asked.stage);
    setAnswer(stage);
    setProgress(next);
    localStorage.setItem(KEPT, JSON.stringify(next));
  };
  const wrong = progress ? wrongOnes(keys, progress) : 0;
  const known = progress ? Object.values(progress.cards).filter((c) => c.box > 1).length : 0;
  return (
    <Page
      title="Practice"
      band={band}
      beside={
        <>
          <h2>Practice</h2>
          <p className="mt-2">
            Looking is most of the work: a bud a day too old is lost. A flower got wrong comes back after three others,
            one got right later each time.
          </p>
          <p className="mt-3 min-h-12" role="status">
            {progress &&
              `${plural(progress.questions, "answer")} so far; ${known} of ${cards.length} known, ${wrong || "none"} waiting to come back. Kept on this device.`}
          </p>
          <p className="mt-3">
            <Link href="/guide">All species</Link>
          </p>
        </>
      }
    >
      {/* What this device knows decides the question: until then its room is kept. */}
      <section className="mx-auto max-w-3xl max-lg:min-h-[35rem]" aria-label="Question">
        {asked && (
          <>
            <p className="text-soft">{asked.protocol}</p>
            <h2 className="text-2xl">“{asked.title}”: what now?</h2>
            <FlowerStage
              drawing={asked.drawing}
              stage={asked.stage}
              label={`A ${asked.unit}, drawn: ${asked.stages[asked.stage]}`}
              petals={asked.petals[(progress?.questions ?? 0) % asked.petals.length]}
              variant={progress?.questions ?? 0}
              className="mx-auto my-3 h-[min(46svh,30rem)] w-full max-sm:h-[34svh]"
            />
            <div className="grid gap-3 sm:grid-cols-3">
              {STAGES.map((stage) => (
                <button
                  key={stage}
                  type="button"
                  disabled={answer !== null}
                  onClick={() => choose(stage)}
                  className={clsx(
                    "leaf min-h-16 text-lg",
                    answer && stage === asked.stage && "border-moss bg-moss/20",
                    answer === stage && stage !== asked.stage && "border-rust",
                  )}
                >
                  {CHOICES[stage]}
                </button>
              ))}
            </div>
            {answer && (
              <div className="mt-5" role="status">
                <p className={clsx("text-lg font-bold", answer === asked.stage ? "text-moss" : "text-rust")}>
                  {answer === asked.stage ? "Right." : `No: ${CHOICES[asked.stage].toLowerCase()}.`}
                </p>
                <p className="mb-4">
                  {asked.stages[asked.stage]} {asked.stage === "late" && asked.tooLate}
                </p>
                <StageRow drawing={asked.drawing} stages={asked.stages} petals={asked.petals[0]} />
                <button
                  type="button"
                  className="leaf leaf-strong mt-5 min-h-14 w-full text-lg"
                  onClick={() => progress && draw(progress)}
                >
                  Next flower
                </button>
              </div>
            )}
          </>
        )}
      </section>
    </Page>
  );
}

const CHOICES: Record<Stage, string> = { early: "Wait, too early", right: "Do it now", late: "Leave it, too late" };
