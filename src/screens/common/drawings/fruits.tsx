import type { ReactNode } from "react";
import { BROWN, type Drawing, Dust, Fruit, GREEN, INK, PALE, Stalk, YELLOW } from "./parts";

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

export const FRUITS = {
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
} satisfies Record<string, Drawing>;
