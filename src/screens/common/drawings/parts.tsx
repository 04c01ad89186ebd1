import type { ReactNode } from "react";
import type { Stage } from "@/core/pollination/protocol";

/** Colours of the themes, so that a drawing reads by day and before dawn. */
export const INK = "var(--ink)";
export const GREEN = "var(--stem)";
export const YELLOW = "var(--petal-yellow)";
export const POLLEN = "var(--pollen)";
export const BROWN = "var(--withered)";
/** The plant's own colour, where it is known whose flower is drawn. */
export const PETAL = "var(--petal, var(--petal-yellow))";
export const PALE = "var(--leaf)";
export const PURPLE = "var(--damson)";

type Spot = { x: number; y: number };

/** A stalk from the ground up to a point. */
export const Stalk = ({ x, y, from = 98 }: Spot & { from?: number }) => (
  <path d={`M ${x} ${from} Q ${x - 3} ${(y + from) / 2} ${x} ${y}`} fill="none" stroke={GREEN} strokeWidth="3" />
);

/** A bud, shut: long and pointed; `tip` colours its end. */
export const Bud = ({
  x,
  y,
  long,
  wide,
  fill,
  tip,
}: Spot & { long: number; wide: number; fill: string; tip?: string }) => (
  <g>
    <path
      d={`M ${x} ${y} C ${x - wide} ${y - long * 0.25}, ${x - wide * 0.7} ${y - long * 0.75}, ${x} ${y - long} C ${x + wide * 0.7} ${y - long * 0.75}, ${x + wide} ${y - long * 0.25}, ${x} ${y}`}
      fill={fill}
      stroke={INK}
      strokeWidth="1.5"
    />
    {tip && (
      <path
        d={`M ${x - wide * 0.55} ${y - long * 0.62} Q ${x} ${y - long * 0.5} ${x + wide * 0.55} ${y - long * 0.62} Q ${x + wide * 0.35} ${y - long * 0.85} ${x} ${y - long} Q ${x - wide * 0.35} ${y - long * 0.85} ${x - wide * 0.55} ${y - long * 0.62}`}
        fill={tip}
      />
    )}
    <path d={`M ${x} ${y - 2} L ${x} ${y - long * 0.92}`} stroke={INK} strokeWidth="0.8" fill="none" />
  </g>
);

/** A flower seen from the front: petals round a middle; limp ones hang. */
export const Bloom = ({
  x,
  y,
  r,
  petals = 5,
  fill,
  limp,
  children,
}: Spot & { r: number; petals?: number; fill: string; limp?: boolean; children?: ReactNode }) => (
  <g>
    {Array.from({ length: petals }, (_, i) => {
      const turn = (360 / petals) * i;
      const drawn = limp ? 0.5 : 1;
      return (
        <path
          // biome-ignore lint/suspicious/noArrayIndexKey: a petal is nothing but its place
          key={i}
          d={`M 0 0 C ${-r * 0.5 * drawn} ${-r * 0.45}, ${-r * 0.35 * drawn} ${-r * 0.95}, 0 ${-r * (limp ? 0.8 : 1)} C ${r * 0.35 * drawn} ${-r * 0.95}, ${r * 0.5 * drawn} ${-r * 0.45}, 0 0`}
          transform={`translate(${x} ${y}) rotate(${turn + (limp ? 14 * (i % 2 ? 1 : -1) : 0)})`}
          fill={fill}
          stroke={INK}
          strokeWidth="1.2"
          opacity={limp ? 0.75 : 1}
        />
      );
    })}
    {children}
  </g>
);

/** Dots of loose pollen. */
export const Dust = ({ x, y, spread = 12 }: Spot & { spread?: number }) => (
  <g fill={POLLEN}>
    {[
      [-0.9, -0.2],
      [-0.5, 0.5],
      [-0.1, -0.8],
      [0.25, 0.25],
      [0.6, -0.5],
      [0.95, 0.35],
      [-0.35, -0.35],
      [0.05, 0.9],
    ].map(([dx, dy]) => (
      <circle key={`${dx}${dy}`} cx={x + dx! * spread} cy={y + dy! * spread} r="1.6" />
    ))}
  </g>
);

/** A bag over a flower, with the tie below. */
export const Bag = ({ x, y, wide, high }: Spot & { wide: number; high: number }) => (
  <g fill="none" stroke={INK} strokeWidth="1.5">
    <path
      d={`M ${x - wide * 0.25} ${y} L ${x - wide / 2} ${y - high * 0.3} L ${x - wide / 2} ${y - high} L ${x + wide / 2} ${y - high} L ${x + wide / 2} ${y - high * 0.3} L ${x + wide * 0.25} ${y} Z`}
      strokeDasharray="4 2"
    />
    <path d={`M ${x - wide * 0.3} ${y - 1} L ${x + wide * 0.3} ${y - 1}`} strokeWidth="3" stroke={PURPLE} />
  </g>
);

/** An insect that got there first. */
export const Bee = ({ x, y }: Spot) => (
  <g stroke={INK} strokeWidth="1">
    <ellipse cx={x - 2} cy={y - 4} rx="4" ry="2.5" fill={PALE} />
    <ellipse cx={x + 3} cy={y - 4} rx="4" ry="2.5" fill={PALE} />
    <ellipse cx={x} cy={y} rx="6" ry="3.6" fill={YELLOW} />
    <path d={`M ${x - 1.5} ${y - 3.4} v 6.8 M ${x + 2} ${y - 3.2} v 6.4`} strokeWidth="1.6" />
  </g>
);

/** A small fruit behind a flower, or one that grows. */
export const Fruit = ({ x, y, rx, ry, fill = GREEN }: Spot & { rx: number; ry: number; fill?: string }) => (
  <ellipse cx={x} cy={y} rx={rx} ry={ry} fill={fill} stroke={INK} strokeWidth="1.5" />
);

/** A flower at each of its stages. */
export type Drawing = Record<Stage, () => ReactNode>;

export const head = (ring: (i: number) => string, curled: boolean, dust: boolean) => (
  <>
    <Stalk x={50} y={60} />
    <Bloom x={50} y={46} r={40} petals={13} fill={PETAL}>
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

/** Spokes of a head or a tassel, each with something at its end. */
export const spokes = (angles: number[], r: number, x: number, y: number, end: (ex: number, ey: number) => ReactNode) =>
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
