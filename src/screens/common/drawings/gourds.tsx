import { Bee, Bloom, BROWN, Bud, type Drawing, Dust, Fruit, GREEN, INK, PALE, PETAL, POLLEN, Stalk } from "./parts";

export const GOURDS = {
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
        <Bud x={50} y={63} long={54} wide={24} fill={GREEN} tip={PETAL} />
      </>
    ),
    late: () => (
      <>
        <Stalk x={50} y={86} />
        <Fruit x={50} y={80} rx={10} ry={10} />
        <Bloom x={50} y={42} r={38} fill={PETAL}>
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
        <Bud x={50} y={66} long={56} wide={22} fill={PETAL} />
      </>
    ),
    right: () => (
      <>
        <Stalk x={50} y={90} />
        <Bloom x={50} y={46} r={42} fill={PETAL}>
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
        <Bud x={50} y={70} long={50} wide={26} fill={PALE} tip={PETAL} />
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
        <Bloom x={50} y={46} r={34} fill={PETAL}>
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
} satisfies Record<string, Drawing>;
