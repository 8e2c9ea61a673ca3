/** A knot as it is made: where its rope lies at every moment, always as long as before and never through itself. */
import { layAlong, lengthOf, type Points, throughKeys } from './curve.ts';
import { linkingNumber } from './linking.ts';
import { APART, bightWide, CLEAR, type Leg, legKeys } from './path.ts';

/** What is hooked, and to what. */
export interface RopeKnot {
  /** Of each leg through the loop; 1 to 4. */
  readonly passes: number;
  readonly isOneLeg: boolean;
  /** A ring or band is pushed to the root at the end. */
  readonly hasLock: boolean;
  /** Radius of what it goes round, in thicknesses of the piece. */
  readonly radius: number;
}

export const MOVES = ['under', 'out', 'swing', 'through', 'tight', 'fall', 'lock'] as const;
export type Move = (typeof MOVES)[number];

/** How long each move lasts, as a share; what a knot does not have is left out (guesses from what hands do). */
const LASTS: Readonly<Record<Move, number>> = {
  under: 0.16,
  out: 0.16,
  swing: 0.16,
  through: 0.3,
  tight: 0.22,
  fall: 0.14,
  lock: 0.14,
};

export interface RopeFrame {
  readonly move: Move;
  /** Of that move, 0 to 1. */
  readonly share: number;
  /** From the tip of one leg over the bight to the tip of the other; n × 3. */
  readonly rope: Points;
  /** Tip of the hook; undefined while it is out of the way. */
  readonly hook: readonly [x: number, y: number, z: number] | undefined;
  /** Height of the ring on the tails; undefined where there is none. */
  readonly ringY: number | undefined;
}

/** Points on each leg, and from one to the next, thicknesses. */
const ON_LEG = 110;
const MOST_PASSES = 4;

export interface MovingRope {
  readonly knot: RopeKnot;
  /** From one point of the rope to the next, thicknesses. */
  readonly chord: number;
  readonly moves: ReadonlyArray<{ readonly move: Move; readonly from: number; readonly to: number }>;
  at(time: number): RopeFrame;
}

/** @throws RangeError where a knot can't be so */
export function movingRope(knot: RopeKnot): MovingRope {
  if (!(knot.passes >= 1 && knot.passes <= MOST_PASSES && Number.isInteger(knot.passes)))
    throw new RangeError(`A leg goes through its loop 1 to ${MOST_PASSES} times.`);
  if (!(knot.radius >= 0.2 && knot.radius <= 5)) throw new RangeError('What it goes round is too thin or too thick.');
  const moves = timesOf(knot);
  const chord = legLength(knot) / (ON_LEG - 1);
  const rope = new Float64Array((2 * ON_LEG - 1) * 3);
  const [left, right] = [new Float64Array(ON_LEG * 3), new Float64Array(ON_LEG * 3)];
  return {
    knot,
    chord,
    moves,
    at: (time) => {
      const t = Math.min(1, Math.max(0, time));
      const now = moves.find((m) => t <= m.to) ?? moves[moves.length - 1];
      const share = now.to > now.from ? (t - now.from) / (now.to - now.from) : 1;
      const pose = poseAt(knot, now.move, eased(share));
      layAlong(throughKeys(legKeys(pose.left)), chord, left);
      layAlong(throughKeys(legKeys(pose.right)), chord, right);
      join(left, right, rope);
      return {
        move: now.move,
        share,
        rope: rope.slice(),
        hook: hookAt(knot, now.move, eased(share), rope),
        ringY: pose.ringY,
      };
    },
  };
}

function timesOf({ isOneLeg, hasLock }: RopeKnot): MovingRope['moves'] {
  const has = MOVES.filter((m) => (m !== 'fall' || isOneLeg) && (m !== 'lock' || hasLock));
  const all = has.reduce((sum, m) => sum + LASTS[m], 0);
  let from = 0;
  return has.map((move) => {
    const to = from + LASTS[move] / all;
    const timed = { move, from, to };
    from = to;
    return timed;
  });
}

const eased = (t: number) => t * t * (3 - 2 * t);
const mix = (a: number, b: number, t: number) => a + (b - a) * t;

/** How far below the bar the loop hangs open. */
const HANGS = 7.5;
const PASS_TAKES = 8.2;
const archOf = (passes: number) => 6 + (PASS_TAKES * passes) / 1.35;
const ARCH_OPEN = 1;

/** Tips of the tails stand before the open loop as the arch is widest: that is how long a leg is drawn. */
function legLength(knot: RopeKnot): number {
  const keys = legKeys({ ...openLeg(knot, 1), spread: 1, over: 1, arch: archOf(knot.passes) });
  const before = 9 + 4;
  return lengthOf(throughKeys(keys), before * 10);
}

const openLeg = ({ radius, passes }: RopeKnot, side: 1 | -1): Leg => ({
  side,
  passes,
  radius,
  wide: bightWide(passes),
  spread: 0,
  bightY: -(radius + HANGS),
  bightZ: 0,
  open: 1,
  over: 0,
  arch: archOf(passes),
});

interface Pose {
  readonly left: Leg;
  readonly right: Leg;
  readonly ringY: number | undefined;
}

function poseAt(knot: RopeKnot, move: Move, share: number): Pose {
  const { radius, isOneLeg, hasLock } = knot;
  const done = (m: Move) => (MOVES.indexOf(move) > MOVES.indexOf(m) ? 1 : move === m ? share : 0);
  const [out, swing, through, tight, fall, lock] = (['out', 'swing', 'through', 'tight', 'fall', 'lock'] as const).map(
    done,
  );
  const top = radius + 4;
  const leg = (side: 1 | -1): Leg => ({
    ...openLeg(knot, side),
    spread: swing,
    bightY: mix(mix(top, -(radius + HANGS), out), -0.5 * radius, tight),
    bightZ: mix(0, radius + CLEAR + APART, tight),
    open: 1 - tight,
    over: swing,
    arch: mix(mix(archOf(knot.passes), ARCH_OPEN, through), 0, tight),
  });
  const free = (side: 1 | -1): Leg => ({ ...leg(side), passes: 0, over: fall, arch: mix(3, 0, fall) });
  const below = -radius - 3.4;
  return {
    left: isOneLeg ? free(-1) : leg(-1),
    right: leg(1),
    ringY: hasLock ? mix(-40, below, lock) : undefined,
  };
}

/** One leg backwards, then the other; the bight between them once. */
function join(left: Points, right: Points, rope: Points) {
  for (let i = 0; i < ON_LEG; i++) for (let x = 0; x < 3; x++) rope[3 * i + x] = left[3 * (ON_LEG - 1 - i) + x];
  rope.set(right, 3 * (ON_LEG - 1));
}

/** It comes from below behind the bar, takes the bight down, waits in the loop and draws the tails through. */
function hookAt({ radius, passes }: RopeKnot, move: Move, share: number, rope: Points): RopeFrame['hook'] {
  const bight = [0, 1, 2].map((x) => rope[3 * (ON_LEG - 1) + x]);
  const tip = [0, 1, 2].map((x) => rope[rope.length - 3 + x]);
  switch (move) {
    case 'under':
      return [0, mix(-radius - 12, bight[1] - 0.4, share), -radius - CLEAR];
    case 'out':
      return [bight[0], bight[1] - 0.4, bight[2]];
    case 'through':
      return passes > 0 ? [tip[0], tip[1], tip[2]] : undefined;
    default:
      return undefined;
  }
}

/** Far from the knot, thicknesses. */
const FAR = 300;

/**
 * The bight and one tail as closed curves: the bight across behind the bar, the tail far round in front.
 *
 * @param rope of a frame @param side 1 the leg that always goes through, −1 the other
 */
export function bightAndTail(
  rope: Points,
  { radius }: RopeKnot,
  side: 1 | -1,
): { readonly bight: Points; readonly tail: Points } {
  const middle = ON_LEG - 1;
  const foot = (s: 1 | -1) => {
    let at = middle;
    // The first place on its way that lies behind the bar and above its middle.
    while (at > 0 && at < rope.length / 3 - 1 && !(rope[3 * at + 1] > 0.2 * radius && rope[3 * at + 2] < 0)) at += s;
    return at;
  };
  const [from, to] = [foot(-1), foot(1)];
  const start = foot(side) + 2 * side;
  const end = side > 0 ? rope.length / 3 - 1 : 0;
  const tail: number[] = [];
  for (let i = start; i !== end + side; i += side) tail.push(...rope.subarray(3 * i, 3 * i + 3));
  const x = rope[3 * end];
  tail.push(x, -FAR, 0, x, -FAR, FAR, x, FAR, FAR, x, FAR, 0);
  return { bight: rope.slice(3 * from, 3 * to + 3), tail: Float64Array.from(tail) };
}

/** How often each leg of a finished knot goes through its bight, counted on the rope itself. */
export function passesOf(moving: MovingRope): { readonly right: number; readonly left: number } {
  const { rope } = moving.at(1);
  const count = (side: 1 | -1) => {
    const { bight, tail } = bightAndTail(rope, moving.knot, side);
    return Math.abs(linkingNumber(bight, tail));
  };
  return { right: count(1), left: count(-1) };
}
