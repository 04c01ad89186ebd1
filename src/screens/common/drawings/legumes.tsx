import { type Drawing, Dust, GREEN, INK, PALE, PURPLE } from "./parts";

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

export const LEGUMES = {
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
} satisfies Record<string, Drawing>;
