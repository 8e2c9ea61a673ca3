/** How she holds her head, and what moves her hair. Directions in the frame of the head. */
import type { Vec3 } from '../geometry/index.ts';
import type { WornAs } from './worn-as.ts';

export interface HairState {
  /** Unit vector in which things fall. */
  readonly gravity: Vec3;
  /** Added to the way of the hair; its length against 1 is the strength of the wind. */
  readonly wind: Vec3;
  /** How she wears it; off the face where nothing is said. */
  readonly wornAs?: WornAs;
  /** Over to the second part. */
  readonly flipped?: boolean;
  /** A line on the scalp along which a finger parts the hair, xyz interleaved, mm. */
  readonly finger?: readonly number[];
}

export const AT_REST: HairState = { gravity: [0, -1, 0], wind: [0, 0, 0] };
