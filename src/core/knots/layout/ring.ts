/** Knots on closed rows. */
import { TIE } from './ties.ts';

/** Pull towards the brick place against evenness. */
export const BRICK_PULL = 0.6;

/** A ring closer than this to nothing still closes with three knots. */
const FEWEST_IN_RING = 3;

/** A closed row: whole spacings round, turned to the phase that lies best between the knots below. */
export function ringPlaces(lengthU: number, feet: readonly number[]): number[] {
  const count = Math.max(FEWEST_IN_RING, Math.round(lengthU));
  const step = lengthU / count;
  const best = ringPhase(lengthU, step, feet);
  const places = Array.from({ length: count }, (_, i) => best + i * step);
  relaxRing(places, ringTargets(feet, lengthU), lengthU);
  return places;
}

/** Where a ring of even steps begins, in spacings from the front: so that its places lie furthest from the feet of the row below. */
export function ringPhase(lengthU: number, step: number, feet: readonly number[]): number {
  /** From the nearest place of a ring of that phase. */
  const away = (u: number, phase: number) => {
    const off = (((u - phase) % step) + step) % step;
    return Math.min(off, step - off);
  };
  const phases = Array.from({ length: RING_PHASES }, (_, k) => (k / RING_PHASES) * step);
  // A ring begins in front. Of phases that lie as well, the one with a knot nearest to the middle of the back is taken.
  phases.sort((a, b) => away(lengthU / 2, a) - away(lengthU / 2, b) || a - b);
  let best = 0;
  let bestScore = -1;
  for (const phase of phases) {
    const score = feet.reduce((sum, foot) => sum + away(foot, phase), 0);
    if (score > bestScore + TIE) {
      bestScore = score;
      best = phase;
    }
  }
  return best;
}

/** Middles between neighbouring feet, once round. */
function ringTargets(feet: readonly number[], lengthU: number): number[] {
  return feet.map((foot, i) => {
    const next = i + 1 < feet.length ? feet[i + 1] : feet[0] + lengthU;
    return ((foot + next) / 2) % lengthU;
  });
}

const RING_SWEEPS = 30;

/** Phases of a ring that are tried. */
const RING_PHASES = 24;

/** Drawn to their brick places as far as even spacing lets them: where a ring gains knots, a few lie between. */
function relaxRing(places: number[], targets: readonly number[], lengthU: number) {
  const n = places.length;
  if (n < 2 || targets.length === 0) return;
  const step = lengthU / n;
  const off = (a: number, b: number) => {
    const d = (((a - b) % lengthU) + lengthU) % lengthU;
    return d > lengthU / 2 ? d - lengthU : d;
  };
  for (let sweep = 0; sweep < RING_SWEEPS; sweep++) {
    for (let i = 0; i < n; i++) {
      const here = places[i];
      let nearest = Infinity;
      for (const t of targets) {
        const d = off(t, here);
        if (Math.abs(d) < Math.abs(nearest) - TIE) nearest = d;
      }
      const before = off(places[(i + n - 1) % n], here) + step;
      const after = off(places[(i + 1) % n], here) - step;
      const hasGoal = Math.abs(nearest) <= 0.5;
      const pull = before + after + (hasGoal ? BRICK_PULL * nearest : 0);
      places[i] = here + pull / (2 + (hasGoal ? BRICK_PULL : 0));
    }
  }
  for (let i = 0; i < n; i++) places[i] = ((places[i] % lengthU) + lengthU) % lengthU;
  places.sort((a, b) => a - b);
}
