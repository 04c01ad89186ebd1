import {
  Bag,
  Bee,
  Bloom,
  BROWN,
  Bud,
  type Drawing,
  Dust,
  Fruit,
  GREEN,
  INK,
  PALE,
  PETAL,
  POLLEN,
  PURPLE,
  Stalk,
  YELLOW,
} from "./parts";

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

export const CUPS = {
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
        <Bud x={50} y={76} long={56} wide={26} fill={PALE} tip={PETAL} />
        <path d="M 34 76 L 30 52 M 66 76 L 70 52" stroke={GREEN} strokeWidth="5" />
      </>
    ),
    late: () => (
      <>
        <Stalk x={50} y={60} />
        <Bloom x={50} y={46} r={40} fill={PETAL}>
          <path d="M 41 46 L 50 22 L 59 46 Z" fill={POLLEN} stroke={INK} strokeWidth="1.5" />
        </Bloom>
        <Dust x={50} y={28} />
      </>
    ),
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
        <Bloom x={50} y={40} r={34} petals={4} fill={PETAL}>
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
        <Bud x={42} y={62} long={28} wide={12} fill={GREEN} tip={PETAL} />
        <Bud x={58} y={64} long={26} wide={11} fill={GREEN} tip={PETAL} />
        <Bag x={50} y={86} wide={56} high={72} />
      </>
    ),
    late: () => (
      <>
        <Stalk x={50} y={60} />
        <Bloom x={42} y={44} r={28} fill={PETAL}>
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
        <Bud x={50} y={66} long={32} wide={14} fill={GREEN} tip={PETAL} />
        <Bag x={50} y={88} wide={58} high={80} />
      </>
    ),
    right: () => (
      <>
        <Stalk x={50} y={70} />
        <Bloom x={50} y={44} r={24} fill={PETAL} />
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
} satisfies Record<string, Drawing>;
