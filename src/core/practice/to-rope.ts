/** A knot of a plan as a rope: what it goes round, how thick that is, how often it goes through. */
import type { PlannedKnot } from '../knots/index.ts';
import type { RopeKnot } from './rope/knot-rope.ts';

export type Held = 'net' | 'hair' | 'netAndHair' | 'border' | 'band' | 'rod' | 'tail';

/** Of what it is hooked to, in thicknesses of a piece (guesses from what they look like). */
const RADIUS: Readonly<Record<Held, number>> = {
  net: 0.5,
  hair: 1.7,
  netAndHair: 1.9,
  border: 1.5,
  band: 0.8,
  rod: 1.2,
  tail: 2.2,
};

type Drawn = Pick<PlannedKnot, 'kind' | 'wraps' | 'lock' | 'through'>;

export function heldBy({ kind, through }: Pick<Drawn, 'kind' | 'through'>): Held {
  if (kind === 'onBand' || kind === 'intoTie') return 'band';
  if (kind === 'onRod') return 'rod';
  if (kind === 'onTail' || kind === 'roundCoil') return 'tail';
  if (kind === 'anchor' || through === 'border') return 'border';
  if (through === 'net') return 'net';
  return through === 'hair' ? 'hair' : 'netAndHair';
}

/** A whole piece through its own thread goes through once, whatever else is said. */
export const ropeOf = (knot: Drawn): RopeKnot => ({
  passes: knot.kind === 'threadLoop' ? 1 : Math.min(4, Math.max(1, knot.wraps)),
  isOneLeg: knot.kind === 'oneLeg',
  hasLock: knot.lock,
  radius: RADIUS[heldBy(knot)],
});
