/**
 * Which way the hook is pushed: the way the hair should fall; for a one-leg knot towards the part, from the side
 * that the free leg will cover (common practice).
 */
import type { Entry } from '../../trade/index.ts';

export type Vector = readonly [x: number, y: number, z: number];

/** The way the hook is pushed for each way in. */
export function hookDirection(fall: Vector, entry: Entry): Vector {
  switch (entry) {
    // `0 -` rather than unary minus, so that no component becomes a negative zero.
    case 'fromCoveredSide':
    case 'across':
      return [0 - fall[0], 0 - fall[1], 0 - fall[2]];
    case 'fromTheFront':
      return [0, 0, -1];
    default:
      return fall;
  }
}

/** A direction in the wearer's own words: the strongest way, and a second where it matters. */
export function directionWords(v: Vector): string {
  const ways: Array<[number, string]> = [
    [Math.abs(v[0]), v[0] > 0 ? 'to your left' : 'to your right'],
    [Math.abs(v[1]), v[1] > 0 ? 'up' : 'down'],
    [Math.abs(v[2]), v[2] > 0 ? 'forward' : 'back'],
  ];
  ways.sort((a, b) => b[0] - a[0]);
  return ways[1][0] > 0.5 * ways[0][0] ? `${ways[0][1]} and ${ways[1][1]}` : ways[0][1];
}
