import { BROWN, type Drawing, Dust, GREEN, INK, Stalk, spokes, YELLOW } from "./parts";

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

export const GRASSES = {
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
} satisfies Record<string, Drawing>;
