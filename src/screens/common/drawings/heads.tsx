import { Bee, BROWN, type Drawing, Dust, GREEN, head, INK, PALE, POLLEN, Stalk, spokes } from "./parts";

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

export const HEADS = {
  "daisy-head": {
    early: () => head(() => GREEN, false, false),
    right: () => head(() => POLLEN, false, true),
    late: () => head(() => POLLEN, true, true),
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
} satisfies Record<string, Drawing>;
