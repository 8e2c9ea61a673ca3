/** A knot as a rope: as long as before at every moment, never through itself, and through its loop as often as it should be. */
import { describe, expect, it } from 'vitest';
import { layAlong, lengthOf, type Points, throughKeys } from './curve.ts';
import { bightAndTail, type MovingRope, movingRope, passesOf, type RopeKnot } from './knot-rope.ts';
import { linkingNumber } from './linking.ts';

/** A thread of a net, a band, a border, a plait. */
const RADII = [0.35, 0.8, 1.5, 2.4];
const KNOTS: readonly RopeKnot[] = RADII.flatMap((radius) =>
  [1, 2, 3, 4].flatMap((passes) => [false, true].map((isOneLeg) => ({ radius, passes, isOneLeg, hasLock: !isOneLeg }))),
);
const FRAMES = 200;
const THICKNESS = 1;
/** So near along the rope it is a neighbour: a bend of its own. */
const NEIGHBOUR = 3;

function leastDistance({ rope }: { rope: Points }, chord: number): number {
  const n = rope.length / 3;
  const skip = Math.ceil(NEIGHBOUR / chord);
  let least = Number.POSITIVE_INFINITY;
  for (let i = 0; i < n; i++)
    for (let j = i + skip; j < n; j++) {
      const [dx, dy, dz] = [0, 1, 2].map((x) => rope[3 * i + x] - rope[3 * j + x]);
      least = Math.min(least, dx * dx + dy * dy + dz * dz);
    }
  return Math.sqrt(least);
}

const frames = (moving: MovingRope) => Array.from({ length: FRAMES + 1 }, (_, f) => moving.at(f / FRAMES));

describe.each(KNOTS)('$passes through, one leg $isOneLeg, round $radius', (knot) => {
  const moving = movingRope(knot);
  const all = frames(moving);

  it('keeps its length within 0.5 %', () => {
    const first = lengthOf(all[0].rope);
    for (const { rope } of all) expect(Math.abs(lengthOf(rope) / first - 1)).toBeLessThan(0.005);
  });

  it('never comes nearer to itself than it is thick, and never jumps over itself', () => {
    for (const frame of all) expect(leastDistance(frame, moving.chord)).toBeGreaterThanOrEqual(THICKNESS);
  });

  it('keeps clear of what it goes round once it is behind it', () => {
    const { rope } = all[FRAMES];
    for (let i = 0; i < rope.length; i += 3)
      expect(Math.hypot(rope[i + 1], rope[i + 2])).toBeGreaterThan(knot.radius + 0.3);
  });

  it('goes through its loop as often as it should, by crossings and by Gauss’s integral', () => {
    expect(passesOf(moving)).toEqual({ right: knot.passes, left: knot.isOneLeg ? 0 : knot.passes });
    for (const side of [1, -1] as const) {
      const { bight, tail } = bightAndTail(all[FRAMES].rope, knot, side);
      expect(gauss(bight, tail)).toBeCloseTo(linkingNumber(bight, tail), 6);
    }
  });

  it('is made by its moves one after the other; what it does not have is left out', () => {
    const moves = moving.moves.map((m) => m.move);
    expect(moves.includes('fall')).toBe(knot.isOneLeg);
    expect(moves.includes('lock')).toBe(knot.hasLock);
    expect(moving.moves[0].from).toBe(0);
    expect(moving.moves.at(-1)?.to).toBeCloseTo(1, 12);
    for (let i = 1; i < moving.moves.length; i++) expect(moving.moves[i].from).toBe(moving.moves[i - 1].to);
  });
});

/**
 * Gauss's linking integral of two closed polygons: the signed solid angles of every pair of edges, over 4π (Klenin and Langowski,
 * Biopolymers 54, 2000, method 1a; from memory).
 */
function gauss(a: Points, b: Points): number {
  const at = (p: Points, i: number) => [0, 1, 2].map((x) => p[3 * (i % (p.length / 3)) + x]);
  const minus = (p: number[], q: number[]) => p.map((v, x) => v - q[x]);
  const cross = (p: number[], q: number[]) => [
    p[1] * q[2] - p[2] * q[1],
    p[2] * q[0] - p[0] * q[2],
    p[0] * q[1] - p[1] * q[0],
  ];
  const dot = (p: number[], q: number[]) => p.reduce((sum, v, x) => sum + v * q[x], 0);
  const unit = (p: number[]) => {
    const l = Math.sqrt(dot(p, p));
    return l === 0 ? p : p.map((v) => v / l);
  };
  const asin = (v: number) => Math.asin(Math.max(-1, Math.min(1, v)));
  let sum = 0;
  for (let i = 0; i < a.length / 3; i++)
    for (let j = 0; j < b.length / 3; j++) {
      const [p, p2, q, q2] = [at(a, i), at(a, i + 1), at(b, j), at(b, j + 1)];
      const [r13, r14, r23, r24] = [minus(q, p), minus(q2, p), minus(q, p2), minus(q2, p2)];
      const n = [cross(r13, r14), cross(r14, r24), cross(r24, r23), cross(r23, r13)].map(unit);
      const angle = asin(dot(n[0], n[1])) + asin(dot(n[1], n[2])) + asin(dot(n[2], n[3])) + asin(dot(n[3], n[0]));
      sum += angle * Math.sign(dot(cross(minus(q2, q), minus(p2, p)), r13));
    }
  return sum / (4 * Math.PI);
}

it('two rings through each other are linked once, side by side not at all', () => {
  const ring = (at: (c: number, s: number) => number[]) =>
    Float64Array.from(
      Array.from({ length: 40 }, (_, i) => at(Math.cos((i * Math.PI) / 20), Math.sin((i * Math.PI) / 20))).flat(),
    );
  const flat = ring((c, s) => [c, s, 0]);
  expect(
    Math.abs(
      linkingNumber(
        flat,
        ring((c, s) => [1 + c, 0, s]),
      ),
    ),
  ).toBe(1);
  expect(
    Math.abs(
      gauss(
        flat,
        ring((c, s) => [1 + c, 0, s]),
      ),
    ),
  ).toBeCloseTo(1, 9);
  expect(
    linkingNumber(
      flat,
      ring((c, s) => [5 + c, 0, s]),
    ),
  ).toBe(0);
});

it('a rope is laid along a curve chord by chord, and refuses one that is too short', () => {
  const curve = throughKeys([0, 0, 0, 4, 3, 0, 9, -2, 5, 20, 0, 0]);
  const rope = new Float64Array(3 * 16);
  layAlong(curve, 1.2, rope);
  expect(lengthOf(rope)).toBeCloseTo(15 * 1.2, 9);
  expect(() => layAlong(curve, 3, rope)).toThrow(RangeError);
});

it('a knot that can’t be so is refused', () => {
  const knot = { passes: 1, isOneLeg: false, hasLock: false, radius: 1 };
  expect(() => movingRope({ ...knot, passes: 0 })).toThrow(RangeError);
  expect(() => movingRope({ ...knot, passes: 1.5 })).toThrow(RangeError);
  expect(() => movingRope({ ...knot, radius: 9 })).toThrow(RangeError);
});
