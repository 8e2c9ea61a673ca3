/**
 * Key positions of one leg of a piece that is folded in the middle: from the bight round what it is hooked to and on to its tip. The
 * bar that it goes round lies along x at the origin, y is up, z towards who looks at it; lengths in thicknesses of the piece.
 * How hands do it is common practice, no source; the drawing is ours.
 */

import { cos, sin } from '../../numerics/index.ts';

/** How a leg lies at one moment. */
export interface Leg {
  /** 1 her right as drawn, −1 the other. */
  readonly side: 1 | -1;
  /** Through the bight so often; the free leg of a one-leg knot lies over it. */
  readonly passes: number;
  /** Radius of what it goes round. */
  readonly radius: number;
  /** Half as wide as the open bight is. */
  readonly wide: number;
  /** 0 both legs side by side, as the doubled piece is drawn under the bar; 1 the bight spread open. */
  readonly spread: number;
  /** Where the bight lies. */
  readonly bightY: number;
  readonly bightZ: number;
  /** 1 as the loop hangs open below the bar, 0 drawn tight in front of it. */
  readonly open: number;
  /** 0 tail straight up behind the bar, 1 over it to the front. */
  readonly over: number;
  /** How far the tail arches. */
  readonly arch: number;
}

/** Room that the middle of one strand keeps from the middle of another, and from the bar. */
export const APART = 1.2;
export const CLEAR = 0.56;
/** A tail lies so far from the middle, and each further pass so much further out. */
const TAIL_X = 0.72;
const PASS_X = 1.36;

/** Where the last pass leaves the bight. */
export const tailX = (passes: number) => TAIL_X + PASS_X * Math.max(0, passes - 1);
/** Half as wide as a bight has to be for so many passes. */
export const bightWide = (passes: number) => tailX(passes) + APART + 0.1;

const mix = (a: number, b: number, t: number) => a + (b - a) * t;

/** @returns key positions, n × 3, from the bight outwards */
export function legKeys(leg: Leg): number[] {
  const [close, apart] = [doubled(leg), [...bight(leg), ...behindBar(leg)]];
  const keys = close.map((v, i) => mix(v, apart[i], leg.spread));
  const up = straightUp(leg, close[close.length - 2]);
  const front = leg.passes > 0 ? throughBight(leg) : overBight(leg);
  // The same count of positions, so that one becomes the other.
  const n = Math.max(up.length, front.length);
  const [a, b] = [stretched(up, n), stretched(front, n)];
  for (let i = 0; i < n; i += 3) {
    // It swings over, towards who looks: straight down it would be shorter on the way.
    const swings = 2 * leg.over * (1 - leg.over) * Math.abs(a[i + 1] - b[i + 1]);
    keys.push(mix(a[i], b[i], leg.over), mix(a[i + 1], b[i + 1], leg.over), mix(a[i + 2], b[i + 2], leg.over) + swings);
  }
  return keys;
}

/** Further positions beyond the last, in its direction. */
function stretched(keys: readonly number[], n: number): number[] {
  const out = [...keys];
  while (out.length < n) {
    const at = out.length;
    for (let x = 0; x < 3; x++) out.push(2 * out[at - 3 + x] - out[at - 6 + x]);
  }
  return out;
}

/** From the middle of the bight to where it goes under the bar. */
function bight({ side: s, wide, bightY: y, bightZ: z, radius, open }: Leg): number[] {
  const round = Math.min(wide, 1.25);
  const foot = radius + CLEAR;
  // Open, its sides go up; drawn tight, they go back under the bar.
  return [
    ...[0, y, z],
    ...[s * Math.max(0.3 * wide, wide - 1.25), y, z],
    ...[s * (wide - 0.3 * round), mix(y, y + 0.3 * round, open), mix(z - 0.3 * round, z, open)],
    ...[s * wide, mix(y - 0.25, y + round, open), mix(z - round, z, open)],
    ...[s * wide, mix(mix(y, -foot - 0.2, 0.7), mix(y + round, -foot, 0.5), open), mix(0.42, 0.5, open) * z],
  ];
}

/** Under the bar, behind it and up to its top, from the bight's width to that of the tail. */
function behindBar({ side: s, wide, radius, passes }: Leg): number[] {
  const r = radius + CLEAR;
  const x = Math.max(TAIL_X, Math.min(wide, tailX(passes) + APART));
  const at = (angle: readonly [y: number, z: number], across: number) => [s * across, r * angle[0], r * angle[1]];
  return [
    ...at([-1, 0.15], x),
    ...at([-0.72, -0.72], x),
    ...at([0, -1.02], mix(x, TAIL_X, 0.3)),
    ...at([0.72, -0.72], mix(x, TAIL_X, 0.75)),
  ];
}

/** Half as far apart as both legs are then. */
const DOUBLED = 0.8;
const STEP = 0.55;

/** From the bight straight up, behind the bar where it passes it; as many positions as the open bight has. */
function doubled({ side: s, radius, bightY: y }: Leg): number[] {
  const r = radius + CLEAR;
  const behind = (h: number) => -1.02 * r * Math.min(1, Math.max(0, (r + 2 - Math.abs(h)) / (2 + 0.25 * r)));
  const least = [-r - 4, -1.1 * r, -0.72 * r, 0, 0.72 * r, r + 1];
  const keys = [0, y, behind(y), s * 0.5 * DOUBLED, y + 0.08, behind(y), s * 0.9 * DOUBLED, y + 0.42, behind(y + 0.4)];
  least.forEach((l, k) => {
    const h = Math.max(y + 0.95 + STEP * k, l);
    keys.push(s * DOUBLED, h, behind(h));
  });
  return keys;
}

/** @param from the height that it has come to */
function straightUp({ side: s }: Leg, from: number): number[] {
  const up = [1.2, 5, 11, 18, 26, 34, 42, 50, 60, 72, 86, 100];
  return up.flatMap((y) => [s * DOUBLED, from + y, 0]);
}

/** Over the bar, in an arch to the front, through the bight and round it as often as it goes through. */
function throughBight(leg: Leg): number[] {
  const { side: s, passes, bightY: y, bightZ: z, open } = leg;
  const x = s * TAIL_X;
  const keys = overBar(leg, x);
  // In front of the open loop it turns in; drawn tight it lies behind the bight already.
  const before = [x, mix(y + APART, y + 2.4, open), mix(z - APART, z + 2, open)];
  keys.push(...before);
  // Its tip is there as it has swung over: until then it only hangs.
  if (leg.over < 1) {
    for (const far of [4, 12, 24, 40, 60, 90]) keys.push(x, before[1] - far, before[2]);
    return keys;
  }
  const turns = passes - 1;
  const from = mix(Math.PI, Math.PI / 2, open);
  const steps = 2 + 6 * turns;
  for (let i = 0; i <= steps; i++) {
    const angle = mix(from, Math.PI + 2 * Math.PI * turns, i / steps);
    const across = s * (TAIL_X + (turns > 0 ? PASS_X * turns * (i / steps) : 0));
    keys.push(across, y + APART * sin(angle), z + APART * cos(angle));
  }
  const out = s * tailX(passes);
  keys.push(out, y - 2, z - APART, out, y - 6, mix(z - APART, 0.4 * z - 0.6, 0.5));
  for (const far of [12, 24, 40, 60, 90]) keys.push(out, y - far, 0.3 * z - 0.8);
  return keys;
}

/** The free leg falls over the bight. */
function overBight(leg: Leg): number[] {
  const { side: s, bightY: y, bightZ: z } = leg;
  const x = s * TAIL_X;
  const r = leg.radius + CLEAR;
  const keys = [
    ...[x, r + 0.15, 0.1],
    ...[x, mix(r, y + 1.9, 0.5) + 0.3, 0.5 * z],
    ...[x, y + 1.9, z + 0.25],
    ...[x, y + 1.1, z + 1.1],
    ...[x, y, z + APART + 0.15],
    ...[x, y - 1.7, z + 1],
  ];
  for (const far of [5, 12, 24, 40, 60, 90]) keys.push(x, y - far, 0.5 * z + 0.3);
  return keys;
}

function overBar({ radius, arch }: Leg, x: number): number[] {
  const r = radius + CLEAR;
  return [
    ...[x, r + 0.1 * arch, 0.05 * arch],
    ...[x, 0.86 * r + 0.5 * arch, 0.55 * r + 0.28 * arch],
    ...[x, 0.5 * r + 0.44 * arch, 0.9 * r + 0.62 * arch],
    ...[x, 0.1 * r + 0.12 * arch, r + 0.6 * arch],
  ];
}
