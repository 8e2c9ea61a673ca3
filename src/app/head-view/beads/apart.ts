/** Beads that would lie on each other on the screen, pushed apart until each has room of its own for a finger. */

export interface Spot {
  readonly x: number;
  readonly y: number;
}

export interface Placed extends Spot {
  /** Width of the place that catches the finger, px: none overlaps another. */
  readonly size: number;
}

/** Least room of a target: WCAG 2.2, success criterion 2.5.8, 24 by 24 CSS pixels. */
export const LEAST_PX = 24;
const MOST_PX = 44;
/** A hair more than asked for, so that rounding takes none of it away. */
const ROOM_PX = LEAST_PX + 0.5;
const ROUNDS = 200;

/** @returns a place for each, in the same order; those that were far enough apart stay where they are */
export function apart(spots: readonly Spot[]): Placed[] {
  const at = spots.map(({ x, y }) => ({ x, y }));
  for (let round = 0; round < ROUNDS; round++) if (!pushed(at)) break;
  return at.map((spot, i) => {
    const nearest = Math.min(MOST_PX, ...at.flatMap((other, j) => (i === j ? [] : [gap(spot, other)])));
    return { ...spot, size: Math.max(LEAST_PX, nearest) };
  });
}

/** Targets are squares: what keeps two from overlapping is the larger of the two ways. */
const gap = (a: Spot, b: Spot) => Math.max(Math.abs(a.x - b.x), Math.abs(a.y - b.y));

function pushed(at: { x: number; y: number }[]): boolean {
  let any = false;
  for (let i = 0; i < at.length; i++)
    for (let j = i + 1; j < at.length; j++) {
      const [a, b] = [at[i], at[j]];
      const missing = ROOM_PX - gap(a, b);
      if (missing <= 0) continue;
      any = true;
      // The hairline runs up and down beside the face, to and fro over it: they go the way in which they differ more.
      const acrossIsMore = Math.abs(a.x - b.x) > Math.abs(a.y - b.y);
      const key = acrossIsMore ? 'x' : 'y';
      const way = a[key] > b[key] || (a[key] === b[key] && i > j) ? 1 : -1;
      a[key] += (way * missing) / 2;
      b[key] -= (way * missing) / 2;
    }
  return any;
}
