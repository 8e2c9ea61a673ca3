/**
 * How she wears it: off her face, behind an ear, forward over the shoulders, as it falls, or in a tie (tied.ts).
 * Off the face it is as if a wedge stood before the face that hair slides off to both sides; behind an ear what lies
 * before the ear is drawn back along the head. Our own construction, widths by eye.
 */
import { smoothstep, type Vec3 } from '../geometry/index.ts';
import type { Landmarks } from '../head/index.ts';
import type { Family } from '../trade/index.ts';
import type { InTheWay } from './hang.ts';

export const WORN_AS = [
  'offFace',
  'falls',
  'behindBoth',
  'behindLeft',
  'behindRight',
  'forward',
  'halfUp',
  'tiedUp',
] as const;
export type WornAs = (typeof WORN_AS)[number];

export const WORN_AS_INFO: Readonly<Record<WornAs, string>> = {
  offFace: 'off the face',
  falls: 'as it falls',
  behindBoth: 'behind both ears',
  behindLeft: 'behind your left ear',
  behindRight: 'behind your right ear',
  forward: 'forward over the shoulders',
  halfUp: 'half up',
  tiedUp: 'tied up',
};

/** What can be done with hair over a base: where a puff or the upper half is tied already, there is no second tie (common practice, no source). */
export function waysToWear(family: Family): readonly WornAs[] {
  return family === 'puff' || family === 'halfUp' ? WORN_AS.filter((w) => !isTied(w)) : WORN_AS;
}

export const isTied = (as: WornAs) => as === 'halfUp' || as === 'tiedUp';

/** Half the width of the face that stays free, mm. */
const FREE_MM = 56;
/** The wedge opens from the front hairline down to its full width over so much, mm. */
const OPENS_MM = 62;
/** Nothing further back than this counts as before the face, mm. */
const FACE_FROM_MM = 34;

/** The body, and before it what keeps hair off the face. */
export class OffTheFace implements InTheWay {
  readonly out = new Float64Array(3);

  constructor(
    private readonly body: InTheWay,
    private readonly hairline: Vec3,
  ) {}

  distance(x: number, y: number, z: number): number {
    const away = this.body.distance(x, y, z);
    const free = FREE_MM * smoothstep(this.hairline[1] + 6, this.hairline[1] + 6 - OPENS_MM, y);
    const aside = Math.max(Math.abs(x) - free, FACE_FROM_MM - z);
    if (free === 0 || aside >= away || z < FACE_FROM_MM) {
      this.out.set(this.body.out);
      return away;
    }
    this.out[0] = x < 0 ? -1 : 1;
    this.out[1] = 0;
    this.out[2] = 0;
    return Math.abs(x) - free;
  }
}

/** So far before the ear hair is still drawn behind it, so far above it not at all any more, mm. */
const BEFORE_EAR_MM = 78;
const ABOVE_EAR_MM = 74;
/** Back along the head and a little down. */
const BEHIND: Vec3 = [0, -0.42, -0.91];

/** How much hair at a place of the scalp is drawn behind the ear, 0 to 1. */
export function drawnBehind(
  as: WornAs | undefined,
  { earTop }: Pick<Landmarks, 'earTop'>,
  x: number,
  y: number,
  z: number,
): number {
  if (!isBehindEar(as, x > 0)) return 0;
  const beside = smoothstep(18, 52, Math.abs(x));
  const before = 1 - smoothstep(0.75 * BEFORE_EAR_MM, BEFORE_EAR_MM, z - earTop[2]);
  const above = 1 - smoothstep(0.5 * ABOVE_EAR_MM, ABOVE_EAR_MM, y - earTop[1]);
  const notBehind = smoothstep(-46, -12, z - earTop[2]);
  return beside * before * above * notBehind;
}

/** A way that hair lies, drawn behind the ear by that much: along the skin, of length one, into `ways` at `o`. */
export function drawBehind(ways: Float64Array, o: number, normals: ArrayLike<number>, share: number) {
  if (share <= 0.01) return;
  const into = BEHIND[0] * normals[o] + BEHIND[1] * normals[o + 1] + BEHIND[2] * normals[o + 2];
  let sum = 0;
  for (let c = 0; c < 3; c++) {
    ways[o + c] = (1 - share) * ways[o + c] + share * (BEHIND[c] - into * normals[o + c]);
    sum += ways[o + c] * ways[o + c];
  }
  const l = Math.sqrt(sum) || 1;
  for (let c = 0; c < 3; c++) ways[o + c] /= l;
}

/** Forward over the shoulders what leaves the head beside the face swings to the front as it falls. */
const FORWARD: Vec3 = [0, 0, 0.42];
/** Behind an ear it falls behind the shoulder. */
const BACK: Vec3 = [0, 0, -0.3];
const NOWHERE: Vec3 = [0, 0, 0];

/** Where hair that leaves the head on one side swings to as it falls, against the length one of gravity. */
export function swing(as: WornAs | undefined, isLeft: boolean): Vec3 {
  if (as === 'forward') return FORWARD;
  return isBehindEar(as, isLeft) ? BACK : NOWHERE;
}

const isBehindEar = (as: WornAs | undefined, isLeft: boolean) =>
  as === 'behindBoth' || as === (isLeft ? 'behindLeft' : 'behindRight');
