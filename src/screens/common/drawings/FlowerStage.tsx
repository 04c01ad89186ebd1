import clsx from "clsx";
import type { ReactNode } from "react";
import { STAGES, type Stage } from "@/core/pollination/protocol";
import { Bag, Bee, Bloom, BROWN, Bud, Dust, Fruit, GREEN, INK, PALE, POLLEN, PURPLE, Stalk, YELLOW } from "./parts";

type Drawing = Record<Stage, () => ReactNode>;

/** Spokes of a head or a tassel, each with something at its end. */
const spokes = (angles: number[], r: number, x: number, y: number, end: (ex: number, ey: number) => ReactNode) =>
  angles.map((angle) => {
    const a = (angle * Math.PI) / 180;
    const [ex, ey] = [x + r * Math.sin(a), y - r * Math.cos(a)];
    return (
      <g key={angle}>
        <path d={`M ${x} ${y} L ${ex} ${ey}`} stroke={GREEN} strokeWidth="1.8" />
        {end(ex, ey)}
      </g>
    );
  });

const UMBEL = [-66, -44, -22, 0, 22, 44, 66];
const umbel = (floret: (i: number) => { r: number; fill: string }) => (
  <>
    <Stalk x={50} y={62} />
    {spokes(UMBEL, 38, 50, 62, (x, y) => {
      const { r, fill } = floret(UMBEL.findIndex((a) => Math.abs(50 + 38 * Math.sin((a * Math.PI) / 180) - x) < 0.01));
      return <circle cx={x} cy={y} r={r} fill={fill} stroke={INK} strokeWidth="1.2" />;
    })}
  </>
);
const outer = (i: number) => i < 2 || i > 4;

const tassel = (anther: string | null, dust: boolean) => (
  <>
    <Stalk x={50} y={60} />
    {spokes([-50, -28, 0, 28, 50], 46, 50, 62, (x, y) =>
      anther ? (
        <g stroke={anther} strokeWidth="2.6">
          <path d={`M ${x - 3} ${y} v 7 M ${x + 1} ${y + 1} v 7 M ${x + 4} ${y} v 6`} />
        </g>
      ) : (
        <circle cx={x} cy={y} r="2" fill={GREEN} />
      ),
    )}
    {dust && <Dust x={50} y={40} spread={26} />}
  </>
);

const ear = (silk: string | null, long: number, fat = 15) => (
  <>
    <path d="M 34 98 L 34 2" stroke={GREEN} strokeWidth="5" />
    <path d="M 34 92 Q 18 60 22 40" fill="none" stroke={GREEN} strokeWidth="4" />
    <path
      d={`M 36 88 C ${36 + fat} 86, ${54 + fat} 60, ${58 + fat / 2} 34 C 52 40, 40 60, 36 88`}
      fill={GREEN}
      stroke={INK}
      strokeWidth="1.5"
    />
    {silk && (
      <g stroke={silk} strokeWidth="1.8" fill="none">
        {[-8, -4, 0, 4, 8].map((d) => (
          <path key={d} d={`M 65 36 q ${d} ${-long / 2} ${d * 1.6} ${-long}`} />
        ))}
      </g>
    )}
  </>
);

const stigma = (head: string, shine: boolean, dry: boolean) => (
  <>
    <Stalk x={50} y={84} />
    <Fruit x={50} y={76} rx={11} ry={13} />
    <path d={dry ? "M 50 64 Q 46 44 54 30" : "M 50 64 L 50 30"} stroke={GREEN} strokeWidth="5" fill="none" />
    <circle cx={dry ? 54 : 50} cy={26} r={dry ? 6 : 9} fill={head} stroke={INK} strokeWidth="1.5" />
    {shine && (
      <g stroke={POLLEN} strokeWidth="2">
        <path d="M 34 14 l 5 4 M 50 6 v 6 M 66 14 l -5 4" />
        <circle cx="47" cy="23" r="2.4" fill={PALE} stroke="none" />
      </g>
    )}
  </>
);

/** An ovary or fruit small, swollen, or shrunken. */
const setting = (grown: (at: "early" | "right" | "late") => ReactNode): Drawing => ({
  early: () => (
    <>
      <Stalk x={50} y={70} />
      {grown("early")}
    </>
  ),
  right: () => (
    <>
      <Stalk x={50} y={70} />
      {grown("right")}
    </>
  ),
  late: () => (
    <>
      <Stalk x={50} y={70} />
      {grown("late")}
    </>
  ),
});

const head = (ring: (i: number) => string, curled: boolean, dust: boolean) => (
  <>
    <Stalk x={50} y={60} />
    <Bloom x={50} y={46} r={40} petals={13} fill={YELLOW}>
      <circle cx="50" cy="46" r="21" fill={GREEN} stroke={INK} />
      {[0, 45, 90, 135, 180, 225, 270, 315].map((angle, i) => {
        const a = (angle * Math.PI) / 180;
        const [x, y] = [50 + 16 * Math.cos(a), 46 + 16 * Math.sin(a)];
        return curled ? (
          <path key={angle} d={`M ${x - 3.5} ${y - 3} q 3.5 4 7 0`} stroke={INK} strokeWidth="1.8" fill="none" />
        ) : (
          <circle key={angle} cx={x} cy={y} r="3" fill={ring(i)} stroke={INK} strokeWidth="0.8" />
        );
      })}
      {dust && <Dust x={50} y={46} spread={19} />}
    </Bloom>
  </>
);

const legume = (colour: string, standard: number, hidden: boolean) => (
  <>
    <path d="M 14 86 Q 30 76 42 66" fill="none" stroke={GREEN} strokeWidth="3" />
    <path d="M 42 66 C 46 48, 70 46, 82 58 C 74 72, 52 76, 42 66" fill={colour} stroke={INK} strokeWidth="1.5" />
    {!hidden && (
      <path
        d={`M 46 60 C 40 ${50 - standard}, 62 ${36 - standard}, ${80 - standard * 0.5} ${46 - standard} C 74 56, 58 58, 46 60`}
        fill={PURPLE}
        stroke={INK}
        strokeWidth="1.5"
      />
    )}
    <path d="M 36 70 C 38 56, 48 54, 54 58 C 50 68, 44 72, 36 70" fill={GREEN} stroke={INK} strokeWidth="1.5" />
  </>
);

const tube = (long: number, fill: string, mouth: boolean) => (
  <>
    <path d="M 10 84 Q 20 70 28 64" fill="none" stroke={GREEN} strokeWidth="3" />
    <path
      d={`M 28 70 C 40 72, ${30 + long * 0.8} 66, ${32 + long} ${mouth ? 64 : 56} L ${32 + long} ${mouth ? 34 : 46} C ${30 + long * 0.7} 44, 40 52, 28 58 Z`}
      fill={fill}
      stroke={INK}
      strokeWidth="1.5"
    />
    {mouth && <ellipse cx={32 + long} cy="49" rx="6" ry="16" fill={PALE} stroke={INK} strokeWidth="1.5" />}
    <path d="M 22 74 L 34 56" stroke={GREEN} strokeWidth="9" />
  </>
);

const DRAWINGS: Record<string, Drawing> = {
  "cucurbit-evening": {
    early: () => (
      <>
        <Stalk x={50} y={80} />
        <Fruit x={50} y={74} rx={6} ry={9} />
        <Bud x={50} y={66} long={26} wide={12} fill={GREEN} />
      </>
    ),
    right: () => (
      <>
        <Stalk x={50} y={86} />
        <Fruit x={50} y={74} rx={10} ry={13} />
        <Bud x={50} y={63} long={54} wide={24} fill={GREEN} tip={YELLOW} />
      </>
    ),
    late: () => (
      <>
        <Stalk x={50} y={86} />
        <Fruit x={50} y={80} rx={10} ry={10} />
        <Bloom x={50} y={42} r={38} fill={YELLOW}>
          <circle cx="50" cy="42" r="7" fill={GREEN} stroke={INK} />
        </Bloom>
        <Bee x={66} y={30} />
      </>
    ),
  },
  "cucurbit-dawn": {
    early: () => (
      <>
        <Stalk x={50} y={86} />
        <Fruit x={50} y={76} rx={10} ry={12} />
        <Bud x={50} y={66} long={56} wide={22} fill={YELLOW} />
      </>
    ),
    right: () => (
      <>
        <Stalk x={50} y={90} />
        <Bloom x={50} y={46} r={42} fill={YELLOW}>
          <circle cx="50" cy="46" r="9" fill={GREEN} stroke={INK} />
          <Dust x={50} y={46} spread={10} />
        </Bloom>
      </>
    ),
    late: () => (
      <>
        <Stalk x={50} y={86} />
        <Fruit x={50} y={78} rx={10} ry={12} />
        <path
          d="M 50 68 C 26 60, 24 40, 40 28 C 44 40, 52 36, 50 26 C 62 34, 76 44, 66 62 Z"
          fill={BROWN}
          opacity="0.75"
          stroke={INK}
        />
        <path d="M 40 30 L 48 62 M 60 40 L 52 62" stroke={INK} />
      </>
    ),
  },
  "melon-bud": {
    early: () => (
      <>
        <Stalk x={50} y={82} />
        <Fruit x={50} y={76} rx={6} ry={8} />
        <Bud x={50} y={68} long={22} wide={11} fill={GREEN} />
      </>
    ),
    right: () => (
      <>
        <Stalk x={50} y={90} />
        <Fruit x={50} y={80} rx={10} ry={11} />
        <Bud x={50} y={70} long={50} wide={26} fill={PALE} tip={YELLOW} />
        <g fill={PALE} stroke={INK}>
          <ellipse cx="44" cy="54" rx="3" ry="7" />
          <ellipse cx="50" cy="51" rx="3" ry="7" />
          <ellipse cx="56" cy="54" rx="3" ry="7" />
        </g>
      </>
    ),
    late: () => (
      <>
        <Stalk x={50} y={90} />
        <Fruit x={50} y={82} rx={10} ry={10} />
        <Bloom x={50} y={46} r={34} fill={YELLOW}>
          <g fill={POLLEN} stroke={INK}>
            <ellipse cx="43" cy="46" rx="4" ry="8" />
            <ellipse cx="50" cy="42" rx="4" ry="8" />
            <ellipse cx="57" cy="46" rx="4" ry="8" />
          </g>
        </Bloom>
        <Dust x={50} y={44} spread={18} />
      </>
    ),
  },
  "nightshade-bud": {
    early: () => (
      <>
        <Stalk x={50} y={64} />
        <Bud x={50} y={66} long={28} wide={13} fill={GREEN} />
      </>
    ),
    right: () => (
      <>
        <Stalk x={50} y={74} />
        <Bud x={50} y={76} long={56} wide={26} fill={PALE} tip={YELLOW} />
        <path d="M 34 76 L 30 52 M 66 76 L 70 52" stroke={GREEN} strokeWidth="5" />
      </>
    ),
    late: () => (
      <>
        <Stalk x={50} y={60} />
        <Bloom x={50} y={46} r={40} fill={YELLOW}>
          <path d="M 41 46 L 50 22 L 59 46 Z" fill={POLLEN} stroke={INK} strokeWidth="1.5" />
        </Bloom>
        <Dust x={50} y={28} />
      </>
    ),
  },
  "legume-bud": {
    early: () => legume(GREEN, 0, true),
    right: () => legume(PALE, 0, false),
    late: () => (
      <>
        {legume(PALE, 26, false)}
        <Dust x={76} y={62} spread={9} />
      </>
    ),
  },
  "daisy-head": {
    early: () => head(() => GREEN, false, false),
    right: () => head(() => POLLEN, false, true),
    late: () => head(() => POLLEN, true, true),
  },
  "cabbage-bud": {
    early: () => (
      <>
        <Stalk x={50} y={40} />
        {[
          [38, 44],
          [50, 34],
          [62, 44],
        ].map(([x, y]) => (
          <Bud key={x} x={x!} y={y!} long={12} wide={6} fill={GREEN} />
        ))}
      </>
    ),
    right: () => (
      <>
        <Stalk x={50} y={60} />
        {[
          [30, 66],
          [50, 56],
          [70, 66],
        ].map(([x, y]) => (
          <Bud key={x} x={x!} y={y!} long={38} wide={14} fill={GREEN} />
        ))}
      </>
    ),
    late: () => (
      <>
        <Stalk x={50} y={56} />
        <Bloom x={50} y={40} r={34} petals={4} fill={YELLOW}>
          <circle cx="50" cy="40" r="6" fill={GREEN} stroke={INK} />
        </Bloom>
        <Dust x={50} y={40} />
      </>
    ),
  },
  "tube-bud": {
    early: () => tube(22, GREEN, false),
    right: () => tube(52, PURPLE, false),
    late: () => (
      <>
        {tube(52, PURPLE, true)}
        <Bee x={90} y={26} />
      </>
    ),
  },
  "open-bud": {
    early: () => (
      <>
        <Stalk x={50} y={62} />
        <Bud x={50} y={64} long={24} wide={12} fill={GREEN} />
      </>
    ),
    right: () => (
      <>
        <Stalk x={50} y={74} />
        <Bud x={50} y={76} long={54} wide={28} fill={GREEN} tip={PURPLE} />
      </>
    ),
    late: () => (
      <>
        <Stalk x={50} y={60} />
        <Bloom x={50} y={46} r={40} fill={PURPLE}>
          <circle cx="50" cy="46" r="8" fill={YELLOW} stroke={INK} />
        </Bloom>
        <Dust x={50} y={46} spread={14} />
      </>
    ),
  },
  stigma: {
    early: () => stigma(GREEN, false, false),
    right: () => stigma(YELLOW, true, false),
    late: () => stigma(BROWN, false, true),
  },
  "fruit-set": setting((at) =>
    at === "early" ? (
      <Fruit x={50} y={60} rx={9} ry={12} />
    ) : at === "right" ? (
      <Fruit x={50} y={48} rx={26} ry={30} />
    ) : (
      <path d="M 50 72 C 40 66, 42 50, 48 46 C 58 48, 60 64, 50 72" fill={YELLOW} stroke={BROWN} strokeWidth="2.5" />
    ),
  ),
  "pod-set": setting((at) =>
    at === "early" ? (
      <path d="M 50 72 Q 46 62 50 52" stroke={GREEN} strokeWidth="6" fill="none" />
    ) : at === "right" ? (
      <path d="M 50 72 C 34 56, 36 26, 46 12 C 58 28, 64 56, 50 72" fill={GREEN} stroke={INK} strokeWidth="1.5" />
    ) : (
      <path d="M 50 72 Q 56 66 52 58" stroke={BROWN} strokeWidth="5" fill="none" />
    ),
  ),
  "bag-bud": {
    early: () => (
      <>
        <Stalk x={50} y={52} />
        <Bud x={50} y={54} long={14} wide={8} fill={GREEN} />
      </>
    ),
    right: () => (
      <>
        <Stalk x={50} y={66} />
        <Bud x={42} y={62} long={28} wide={12} fill={GREEN} tip={YELLOW} />
        <Bud x={58} y={64} long={26} wide={11} fill={GREEN} tip={YELLOW} />
        <Bag x={50} y={86} wide={56} high={72} />
      </>
    ),
    late: () => (
      <>
        <Stalk x={50} y={60} />
        <Bloom x={42} y={44} r={28} fill={YELLOW}>
          <circle cx="42" cy="44" r="5" fill={GREEN} stroke={INK} />
        </Bloom>
        <Bud x={70} y={66} long={24} wide={10} fill={GREEN} />
        <Bee x={54} y={28} />
      </>
    ),
  },
  "selfing-open": {
    early: () => (
      <>
        <Stalk x={50} y={70} />
        <Bud x={50} y={66} long={32} wide={14} fill={GREEN} tip={YELLOW} />
        <Bag x={50} y={88} wide={58} high={80} />
      </>
    ),
    right: () => (
      <>
        <Stalk x={50} y={70} />
        <Bloom x={50} y={44} r={24} fill={YELLOW} />
        <Dust x={50} y={46} />
        <Bag x={50} y={88} wide={62} high={80} />
        <path d="M 8 40 q 5 5 0 10 M 92 40 q -5 5 0 10" stroke={PURPLE} strokeWidth="2" fill="none" />
      </>
    ),
    late: () => (
      <>
        <Stalk x={50} y={70} />
        <Bloom x={50} y={48} r={22} fill={BROWN} limp />
        <Bag x={50} y={88} wide={58} high={80} />
      </>
    ),
  },
  ear: {
    early: () => ear(null, 0, 4),
    right: () => ear(null, 0),
    late: () => (
      <>
        {ear(YELLOW, 22)}
        <Dust x={70} y={18} />
      </>
    ),
  },
  silk: {
    early: () => ear(YELLOW, 10),
    right: () => ear(YELLOW, 28),
    late: () => ear(BROWN, 18),
  },
  "ear-filled": {
    early: () => ear(YELLOW, 24),
    right: () => ear(BROWN, 12, 26),
    late: () => ear(BROWN, 12, 6),
  },
  tassel: {
    early: () => tassel(null, false),
    right: () => tassel(YELLOW, true),
    late: () => tassel(BROWN, false),
  },
  "plant-sex": {
    early: () => (
      <>
        <Stalk x={50} y={20} />
        <path d="M 50 70 Q 28 66 20 50 M 50 50 Q 72 46 80 32" stroke={GREEN} strokeWidth="7" fill="none" />
      </>
    ),
    right: () => (
      <>
        <Stalk x={28} y={14} />
        <Stalk x={72} y={14} />
        {[22, 34, 46, 58].map((y) => (
          <g key={y}>
            <circle cx={22} cy={y} r="3.6" fill={YELLOW} stroke={INK} />
            <circle cx={34} cy={y + 5} r="3.6" fill={YELLOW} stroke={INK} />
            <ellipse cx={72} cy={y + 3} rx="8" ry="5" fill={GREEN} stroke={INK} />
          </g>
        ))}
      </>
    ),
    late: () => (
      <>
        <Stalk x={50} y={14} />
        {[22, 34, 46, 58].map((y) => (
          <circle key={y} cx={y % 4 ? 44 : 56} cy={y} r="4" fill={BROWN} stroke={INK} />
        ))}
        <Dust x={50} y={40} spread={30} />
      </>
    ),
  },
  "plant-shed": {
    early: () => (
      <>
        <Stalk x={50} y={14} />
        {[22, 36, 50].map((y) => (
          <circle key={y} cx={50} cy={y} r="6" fill={GREEN} stroke={INK} />
        ))}
      </>
    ),
    right: () => (
      <>
        <Stalk x={36} y={14} />
        {[22, 36, 50].map((y) => (
          <circle key={y} cx={36} cy={y} r="6" fill={YELLOW} stroke={INK} />
        ))}
        <Dust x={66} y={34} spread={24} />
      </>
    ),
    late: () => (
      <>
        <Stalk x={50} y={14} />
        {[22, 36, 50].map((y) => (
          <circle key={y} cx={50} cy={y} r="4.5" fill={BROWN} stroke={INK} />
        ))}
      </>
    ),
  },
  "plant-seed": {
    early: () => (
      <>
        <Stalk x={50} y={12} />
        {[24, 42, 60].map((y) => (
          <ellipse key={y} cx={50} cy={y} rx="7" ry="3" fill={GREEN} stroke={INK} />
        ))}
      </>
    ),
    right: () => (
      <>
        <Stalk x={50} y={12} />
        {[24, 42, 60].map((y) => (
          <ellipse key={y} cx={50} cy={y} rx="14" ry="8" fill={GREEN} stroke={INK} />
        ))}
      </>
    ),
    late: () => (
      <>
        <Stalk x={50} y={12} />
        {[24, 42, 60].map((y) => (
          <ellipse key={y} cx={50} cy={y} rx="8" ry="4" fill={PALE} stroke={BROWN} />
        ))}
      </>
    ),
  },
  umbel: {
    early: () => umbel(() => ({ r: 3, fill: GREEN })),
    right: () => umbel(() => ({ r: 5, fill: GREEN })),
    late: () => (
      <>
        {umbel((i) => (outer(i) ? { r: 8, fill: PALE } : { r: 5, fill: GREEN }))}
        <Bee x={20} y={30} />
      </>
    ),
  },
  "umbel-open": {
    early: () => umbel(() => ({ r: 4.5, fill: GREEN })),
    right: () => (
      <>
        {umbel((i) => (outer(i) ? { r: 8, fill: PALE } : { r: 4.5, fill: GREEN }))}
        <Dust x={50} y={28} spread={26} />
      </>
    ),
    late: () => (
      <>
        {umbel(() => ({ r: 4, fill: BROWN }))}
        <path d="M 20 88 h 6 M 36 92 h 5 M 66 90 h 6 M 80 86 h 5" stroke={PALE} strokeWidth="4" />
      </>
    ),
  },
  "umbel-seed": {
    early: () => umbel(() => ({ r: 3.5, fill: PALE })),
    right: () => umbel(() => ({ r: 7, fill: GREEN })),
    late: () => umbel(() => ({ r: 3, fill: BROWN })),
  },
};

/** Every drawing there is, for the test that the catalogue names no other. */
export const DRAWING_NAMES = Object.keys(DRAWINGS);

type Props = { drawing: string; stage: Stage; label: string; className?: string };

/** A flower at a stage, drawn. */
export function FlowerStage({ drawing, stage, label, className }: Props) {
  const draw = DRAWINGS[drawing]?.[stage];
  return (
    <svg role="img" aria-label={label} viewBox="0 0 100 100" className={clsx("block", className)}>
      {draw?.()}
    </svg>
  );
}

const STAGE_WORDS: Record<Stage, string> = { early: "Too early", right: "Right", late: "Too late" };

/** The three stages of a step side by side, the right one marked. */
export function StageRow({ drawing, stages }: { drawing: string; stages: Record<Stage, string> }) {
  return (
    <ul className="grid grid-cols-3 gap-3">
      {STAGES.map((stage) => (
        <li key={stage} className={clsx("border-t-4 pt-2", stage === "right" ? "border-moss" : "border-rule")}>
          <FlowerStage drawing={drawing} stage={stage} label={stages[stage]} className="mx-auto w-full max-w-28" />
          <p className="text-sm">
            <strong className="block">{STAGE_WORDS[stage]}</strong>
            {stages[stage]}
          </p>
        </li>
      ))}
    </ul>
  );
}
